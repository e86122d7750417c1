import type { SixAxes } from './gesture';

/** What a device reported at a moment, seconds; it holds until the next report. */
export interface TimedStroke {
  readonly t: number;
  readonly axes: readonly number[];
}

/**
 * The mean strokes between two moments, each report held until the next: whatever the rate of a device and of the pictures,
 * the pieces add up to the same. Reports are in order of time; before the first the cap is at rest.
 */
export function meanStroke(reports: readonly TimedStroke[], from: number, to: number): SixAxes {
  const sum = [0, 0, 0, 0, 0, 0];
  if (!(to > from)) return sum as unknown as SixAxes;
  reports.forEach((report, i) => {
    const begin = Math.max(from, report.t);
    const end = Math.min(to, reports[i + 1]?.t ?? to);
    if (end <= begin) return;
    for (let axis = 0; axis < 6; axis++) sum[axis] = (sum[axis] as number) + (report.axes[axis] ?? 0) * (end - begin);
  });
  return sum.map((total) => total / (to - from)) as unknown as SixAxes;
}
