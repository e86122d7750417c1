declare module 'quickhull3d/dist/quickhull3d.js' {
  /** Faces of the convex hull as point numbers, anticlockwise seen from outside. */
  export default function quickhull(points: [number, number, number][]): number[][];
}
