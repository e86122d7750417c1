import { dot, sub, type Vec3 } from '@core/math';
import type { CardDetailProps } from '../goalParts';

/** Six looks at the subject: the axes that run to the right and up on each, and the way that faces the eye. */
const LOOKS: readonly { readonly name: string; readonly right: Vec3; readonly up: Vec3; readonly eye: Vec3 }[] = [
  { name: 'Front', right: [1, 0, 0], up: [0, 0, 1], eye: [0, -1, 0] },
  { name: 'Right', right: [0, 1, 0], up: [0, 0, 1], eye: [1, 0, 0] },
  { name: 'Rear', right: [-1, 0, 0], up: [0, 0, 1], eye: [0, 1, 0] },
  { name: 'Left', right: [0, -1, 0], up: [0, 0, 1], eye: [-1, 0, 0] },
  { name: 'Top', right: [1, 0, 0], up: [0, 1, 0], eye: [0, 0, 1] },
  { name: 'Underside', right: [1, 0, 0], up: [0, -1, 0], eye: [0, 0, -1] },
];

/** A place is drawn in the looks that it faces by more than this. */
const FACES = 0.15;

type Places = Extract<CardDetailProps['detail'], { kind: 'seen' }>['places'];

/** The places that face one side: a dot where it was seen, a cross where it was not. */
function Look({
  look,
  places,
  middle,
  reach,
}: {
  readonly look: (typeof LOOKS)[number];
  readonly places: Places;
  readonly middle: Vec3;
  readonly reach: number;
}) {
  const facing = places.filter(({ to }) => dot(to, look.eye) > FACES);
  const seen = facing.filter((place) => place.seen).length;
  const mark = 0.03;
  return (
    <figure className="min-w-0">
      <svg
        viewBox="-1.08 -1.08 2.16 2.16"
        className="w-full rounded-lg border border-rule bg-paper"
        role="img"
        aria-label={`${look.name}: ${seen} of ${facing.length} places seen`}
      >
        {facing.map(({ at, seen: was }) => {
          const from = sub(at, middle);
          const [x, y] = [dot(from, look.right) / reach, -dot(from, look.up) / reach];
          return was ? (
            <circle key={at.join()} cx={x} cy={y} r={mark} fill="var(--color-sea)" />
          ) : (
            <path
              key={at.join()}
              d={`M${x - mark} ${y - mark}l${2 * mark} ${2 * mark}m0 ${-2 * mark}l${-2 * mark} ${2 * mark}`}
              stroke="var(--color-signal)"
              strokeWidth="0.022"
            />
          );
        })}
      </svg>
      <figcaption className="mt-0.5 flex justify-between text-sm">
        <span>{look.name}</span>
        <span className="font-mono text-ink-soft">{facing.length > 0 ? `${Math.round((100 * seen) / facing.length)} %` : '–'}</span>
      </figcaption>
    </figure>
  );
}

/** The ball of directions: from above and from beneath, the front at the foot; a dot for each view that was looked at. */
function Ball({ directions, above }: { readonly directions: readonly Vec3[]; readonly above: boolean }) {
  const shown = directions.filter((d) => (above ? d[2] >= 0 : d[2] < 0));
  return (
    <figure>
      <svg viewBox="-1.15 -1.15 2.3 2.3" className="w-full" role="img" aria-label={`${shown.length} looks from ${above ? 'above' : 'beneath'}`}>
        {[1, 2 / 3, 1 / 3].map((r) => (
          <circle key={r} r={r} fill="none" stroke="var(--color-rule)" strokeWidth="0.015" />
        ))}
        <path d="M-1 0H1M0 -1V1" stroke="var(--color-rule)" strokeWidth="0.015" />
        {shown.map((d) => {
          // The distance from the middle is the angle from the pole.
          const flat = Math.hypot(d[0], d[1]);
          const r = Math.acos(Math.min(1, Math.abs(d[2]))) / (Math.PI / 2);
          const [x, y] = flat > 1e-9 ? [(d[0] / flat) * r, (-d[1] / flat) * r] : [0, 0];
          return <circle key={d.join()} cx={x} cy={y} r="0.06" fill="var(--color-ink)" />;
        })}
      </svg>
      <figcaption className="text-center text-sm">{above ? 'Looks from above' : 'Looks from beneath'}</figcaption>
    </figure>
  );
}

/** What of the subject was seen, side by side, and where one looked from. */
export function SeeAllDetail({ detail }: CardDetailProps) {
  if (detail?.kind !== 'seen' || detail.places.length === 0) return null;
  const { places, directions } = detail;
  const range = (k: 0 | 1 | 2): readonly [number, number] => {
    const values = places.map(({ at }) => at[k]);
    return [Math.min(...values), Math.max(...values)];
  };
  const ranges = [range(0), range(1), range(2)] as const;
  const middle: Vec3 = [(ranges[0][0] + ranges[0][1]) / 2, (ranges[1][0] + ranges[1][1]) / 2, (ranges[2][0] + ranges[2][1]) / 2];
  const reach = Math.max(...ranges.map(([low, high]) => high - low)) / 2 || 1;
  return (
    <div className="mb-4 grid gap-4 md:grid-cols-[3fr_1fr]">
      <div>
        <div className="grid grid-cols-3 gap-3">
          {LOOKS.map((look) => (
            <Look key={look.name} look={look} places={places} middle={middle} reach={reach} />
          ))}
        </div>
        <p className="mt-2 flex gap-5 text-sm">
          <span>
            <span className="text-sea">●</span> seen
          </span>
          <span>
            <span className="font-bold text-signal">×</span> never seen
          </span>
        </p>
      </div>
      <div className="grid content-start gap-3 max-md:grid-cols-2">
        <Ball directions={directions} above />
        <Ball directions={directions} above={false} />
      </div>
    </div>
  );
}
