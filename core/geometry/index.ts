/** Models as triangles in world metres, and what is computed from them: hulls, id pictures, sections. */
export * from './diagonal';
export * from './drawIds';
export * from './features';
export * from './inside';
export * from './measuredWords';
export * from './memory';
export * from './mesh';
export * from './naming';
export * from './partsInBox';
export * from './placed';
export * from './plane';
export * from './sectionContours';
export * from './sectionOverlap';
export * from './shapes';
export * from './subjectPoints';
export * from './surface';
export * from './topology';
