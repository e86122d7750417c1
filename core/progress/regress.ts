/** Least-squares line y = intercept + slope * x, and the correlation r; fewer than two distinct x give slope 0. */
export function regress(points: readonly (readonly [x: number, y: number])[]): { slope: number; intercept: number; r: number } {
  const n = points.length;
  if (n === 0) return { slope: 0, intercept: 0, r: 0 };
  let mx = 0;
  let my = 0;
  for (const [x, y] of points) {
    mx += x / n;
    my += y / n;
  }
  let sxx = 0;
  let sxy = 0;
  let syy = 0;
  for (const [x, y] of points) {
    sxx += (x - mx) * (x - mx);
    sxy += (x - mx) * (y - my);
    syy += (y - my) * (y - my);
  }
  const slope = sxx > 0 ? sxy / sxx : 0;
  return { slope, intercept: my - slope * mx, r: sxx > 0 && syy > 0 ? sxy / Math.sqrt(sxx * syy) : 0 };
}
