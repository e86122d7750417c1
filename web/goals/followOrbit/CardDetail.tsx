import type { StepDetail, Unrolled } from '@core/scoring';
import type { CardDetailProps } from '../goalParts';

const DEG = 180 / Math.PI;
const W = 900;
const H = 300;
const PAD = 52;

/** A ring where a way starts, a square where it ends. */
function Ends({
  points,
  x,
  y,
  colour,
}: {
  readonly points: readonly Unrolled[];
  readonly x: (p: Unrolled) => number;
  readonly y: (p: Unrolled) => number;
  readonly colour: string;
}) {
  const [first, last] = [points[0], points.at(-1)];
  if (!first || !last) return null;
  return (
    <>
      <circle cx={x(first)} cy={y(first)} r="6" fill="var(--color-paper)" stroke={colour} strokeWidth="3" />
      <rect x={x(last) - 5.5} y={y(last) - 5.5} width="11" height="11" fill={colour} stroke="var(--color-paper)" />
    </>
  );
}

/** Both ways unrolled, round by height in degrees: the alignment is drawn, the farthest place marked. */
export function OrbitChart({ detail }: { readonly detail: Extract<StepDetail, { kind: 'orbit' }> }) {
  const all = [...detail.path, ...detail.reference];
  const range = (pick: (p: Unrolled) => number): [number, number] => {
    const values = all.map((p) => pick(p) * DEG);
    return [Math.min(...values) - 6, Math.max(...values) + 6];
  };
  const [a0, a1] = range((p) => p.azimuth);
  const [e0, e1] = range((p) => p.elevation);
  // One scale both ways, so that an angle looks the same along and up.
  const scale = Math.min((W - 2 * PAD) / (a1 - a0), (H - 2 * PAD) / (e1 - e0));
  const x = (p: Unrolled): number => W / 2 + (p.azimuth * DEG - (a0 + a1) / 2) * scale;
  const y = (p: Unrolled): number => H / 2 - (p.elevation * DEG - (e0 + e1) / 2) * scale;
  const line = (points: readonly Unrolled[]): string => points.map((p, i) => `${i ? 'L' : 'M'}${x(p).toFixed(1)} ${y(p).toFixed(1)}`).join('');
  const worst = detail.pairs[detail.worst];
  const step = a1 - a0 > 160 ? 45 : a1 - a0 > 60 ? 15 : 5;
  const ticks = (from: number, to: number): number[] =>
    Array.from({ length: Math.floor(to / step) - Math.ceil(from / step) + 1 }, (_, i) => (Math.ceil(from / step) + i) * step);
  // The whole of the drawing is ruled, beyond what the two ways reach.
  const [round, height] = [W / 2 / scale, H / 2 / scale];
  const [midRound, midHeight] = [(a0 + a1) / 2, (e0 + e1) / 2];
  const columns = ticks(midRound - round, midRound + round).map((t) => ({ t, at: x({ azimuth: t / DEG, elevation: 0 }) }));
  const rows = ticks(midHeight - height, midHeight + height).map((t) => ({ t, at: y({ azimuth: 0, elevation: t / DEG }) }));
  return (
    <figure className="mb-4">
      <svg
        viewBox={`0 0 ${W} ${H}`}
        className="w-full rounded-lg border border-rule bg-paper"
        role="img"
        aria-label="Your way and the line, unrolled: round across, height up"
      >
        {columns
          .filter(({ at }) => at > PAD && at < W - 10)
          .map(({ t, at }) => (
            <g key={`round ${t}`}>
              <line x1={at} x2={at} y1="8" y2={H - 34} stroke="var(--color-rule)" />
              <text x={at} y={H - 20} textAnchor="middle" fontSize="13" fill="var(--color-ink-soft)">
                {t}°
              </text>
            </g>
          ))}
        {rows
          .filter(({ at }) => at > 12 && at < H - 38)
          .map(({ t, at }) => (
            <g key={`height ${t}`}>
              <line x1={PAD} x2={W - 10} y1={at} y2={at} stroke="var(--color-rule)" />
              <text x={PAD - 6} y={at + 4} textAnchor="end" fontSize="13" fill="var(--color-ink-soft)">
                {t}°
              </text>
            </g>
          ))}
        <text x={W / 2} y={H - 4} textAnchor="middle" fontSize="13" fontWeight="600" fill="var(--color-ink)">
          round, degrees
        </text>
        <text transform={`translate(13 ${H / 2}) rotate(-90)`} textAnchor="middle" fontSize="13" fontWeight="600" fill="var(--color-ink)">
          height, degrees
        </text>
        {detail.pairs.map(([i, j], n) => {
          const [p, q] = [detail.path[i], detail.reference[j]];
          return p && q && n % 2 === 0 ? (
            <line key={n} x1={x(p)} y1={y(p)} x2={x(q)} y2={y(q)} stroke="var(--color-ink-soft)" strokeWidth="0.8" opacity="0.6" />
          ) : null;
        })}
        <path d={line(detail.reference)} fill="none" stroke="var(--color-amber)" strokeWidth="4" />
        <path d={line(detail.path)} fill="none" stroke="var(--color-ink)" strokeWidth="2.5" strokeDasharray="9 4" />
        <Ends points={detail.reference} x={x} y={y} colour="var(--color-amber)" />
        <Ends points={detail.path} x={x} y={y} colour="var(--color-ink)" />
        {worst && detail.path[worst[0]] && detail.reference[worst[1]] && (
          <g stroke="var(--color-signal)" strokeWidth="3" fill="none">
            <line
              x1={x(detail.path[worst[0]] as Unrolled)}
              y1={y(detail.path[worst[0]] as Unrolled)}
              x2={x(detail.reference[worst[1]] as Unrolled)}
              y2={y(detail.reference[worst[1]] as Unrolled)}
            />
            <circle cx={x(detail.path[worst[0]] as Unrolled)} cy={y(detail.path[worst[0]] as Unrolled)} r="7" />
          </g>
        )}
      </svg>
      <figcaption className="mt-1 flex gap-6 text-ink-soft text-sm">
        <span className="flex items-center gap-2">
          <span className="h-1 w-7 bg-amber" /> the line
        </span>
        <span className="flex items-center gap-2">
          <span className="w-7 border-ink border-t-2 border-dashed" /> your way
        </span>
        <span className="flex items-center gap-2">
          <span className="h-3 w-3 rounded-full border-2 border-ink" /> start
        </span>
        <span className="flex items-center gap-2">
          <span className="h-3 w-3 bg-ink" /> end
        </span>
        <span className="flex items-center gap-2">
          <span className="h-3 w-3 rounded-full border-2 border-signal" /> farthest off
        </span>
      </figcaption>
    </figure>
  );
}

export function FollowOrbitDetail({ detail }: CardDetailProps) {
  return detail?.kind === 'orbit' ? <OrbitChart detail={detail} /> : null;
}
