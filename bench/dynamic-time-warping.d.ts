declare module 'dynamic-time-warping' {
  export default class DynamicTimeWarping<T> {
    constructor(one: readonly T[], other: readonly T[], distance: (a: T, b: T) => number);
    getPath(): [number, number][];
  }
}
