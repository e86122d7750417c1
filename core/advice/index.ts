/** What a coach would say: one sentence a criterion. */
export * from './adviceFor';
export * from './sentence';
