/** A camera view as plain data: where it looks from, what it shows, and how it frames points. */
export * from './aim';
export * from './angles';
export * from './fit';
export * from './project';
export * from './standard';
export * from './standardNames';
export * from './view';
