/** What a coach would say: sentences for codes and figures, in the gestures of a scheme, and the order in which to say them. */
export * from './adviceOf';
export { standHand } from './gestureWords';
export { quickWords } from './quickWords';
export * from './sentence';
export * from './sentences';
