import type { Polygon } from '@core/geometry';
import type { StepDetail } from '@core/scoring';
import { areaWords } from '@web/ui/areaWords';

const pathOf = (loops: readonly Polygon[]): string =>
  loops.map((loop) => `${loop.points.map(([x, y], i) => `${i ? 'L' : 'M'}${x.toFixed(5)} ${(-y).toFixed(5)}`).join('')}${loop.closed ? 'Z' : ''}`).join('');

/** The two cuts laid over each other in the target's plane, with both areas. */
export function SectionChart({ detail }: { readonly detail: Extract<StepDetail, { kind: 'section' }> }) {
  const points = [...detail.mine, ...detail.target].flatMap((loop) => loop.points);
  if (points.length === 0) return null;
  const box = points.reduce((b, [x, y]) => ({ x0: Math.min(b.x0, x), x1: Math.max(b.x1, x), y0: Math.min(b.y0, -y), y1: Math.max(b.y1, -y) }), {
    x0: Infinity,
    x1: -Infinity,
    y0: Infinity,
    y1: -Infinity,
  });
  const size = Math.max(box.x1 - box.x0, box.y1 - box.y0);
  const margin = size * 0.06;
  const stroke = size / 260;
  const larger = Math.max(detail.targetArea, detail.mineArea);
  return (
    <figure className="mb-4 flex items-center gap-6">
      <svg
        viewBox={`${box.x0 - margin} ${box.y0 - margin} ${box.x1 - box.x0 + 2 * margin} ${box.y1 - box.y0 + 2 * margin}`}
        className="h-64 min-w-0 flex-1 rounded-lg border border-rule bg-paper"
        role="img"
        aria-label="Your cut and the target's, laid over each other"
      >
        <path
          d={pathOf(detail.target)}
          fill="var(--color-amber)"
          fillOpacity="0.35"
          stroke="var(--color-amber)"
          strokeWidth={stroke * 1.5}
          fillRule="evenodd"
        />
        <path
          d={pathOf(detail.mine)}
          fill="var(--color-ink)"
          fillOpacity="0.22"
          stroke="var(--color-ink)"
          strokeWidth={stroke}
          strokeDasharray={`${stroke * 5} ${stroke * 2.5}`}
          fillRule="evenodd"
        />
      </svg>
      <figcaption className="w-48 shrink-0 space-y-2 text-sm">
        <p className="flex items-center gap-2">
          <span className="h-3 w-6 border-2 border-amber bg-amber/35" /> target{' '}
          <span className="ml-auto font-mono">{areaWords(detail.targetArea, larger)}</span>
        </p>
        <p className="flex items-center gap-2">
          <span className="h-3 w-6 border-2 border-ink border-dashed bg-ink/20" /> yours{' '}
          <span className="ml-auto font-mono">{areaWords(detail.mineArea, larger)}</span>
        </p>
      </figcaption>
    </figure>
  );
}
