/** Full marks up to `full`, nothing from `zero`, a straight line between; with full = zero: 1 up to it, 0 beyond. */
export function pointsFor(value: number, range: { full: number; zero: number }): number {
  if (!Number.isFinite(value)) return 0;
  if (range.zero === range.full) return value <= range.full ? 1 : 0;
  return Math.min(1, Math.max(0, (range.zero - value) / (range.zero - range.full)));
}
