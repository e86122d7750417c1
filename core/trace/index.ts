/** An attempt as recorded: commands in time, folded again into views. */
export * from './checkTrace';
export * from './clock';
export * from './interfaceBindings';
export * from './recording';
export * from './replay';
export * from './scenes';
export * from './unlikeAHand';
export * from './upcast';
