export type { CourseContent, Unit } from './courseSchema';
export * from './editing';
export * from './standing';
