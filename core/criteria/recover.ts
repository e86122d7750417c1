import { isUnhidden, lostFor } from '../measures';
import type { Command } from '../navigation';
import { pausedBetween } from '../trace/clock';
import { advice } from './advice';
import type { CriterionSpec } from './criterion';
import type { Evidence } from './evidence';
import type { Measured } from './measured';
import { sceneAfter } from './moved';

/** So long a subject must stay recovered, seconds, unless the step ends before. */
const HOLD = 1;
/** Scenes are looked at no closer together than this while the hand moves, seconds. */
const APART = 0.1;
/** In a very long step, no more scenes than about this many are looked at. */
const MOST_SCENES = 2000;
/** No more pictures than this are looked at, however long a subject lies in the frame and is hidden. */
const MOST = 300;

/** Whether a subject is recovered in a scene: all of it in the frame, large enough, upright, and most of it unhidden. */
export const isRecovered = (m: Measured): boolean => lostFor(m.scene.view, m.points()) === null && isUnhidden(m.mesh, m.scene, m.subject);

/** Seconds from the opening of the step, pauses left out, to the moment from which on the subject is recovered; null: never. */
function recoveredAt(m: Measured, { span, moves, before, sceneAfter: after, trace }: Evidence): number | null {
  // Of what follows fast, the last is looked at, and one every so often.
  const apart = Math.max(APART, (span.to - span.opened) / MOST_SCENES);
  const numbers: number[] = [];
  let looked = Number.NEGATIVE_INFINITY;
  moves.forEach(({ t }, i) => {
    if (t - looked < apart && (moves[i + 1]?.t ?? Number.POSITIVE_INFINITY) - t < apart) return;
    looked = t;
    numbers.push(i);
  });
  const times = [span.opened, ...numbers.map((i) => Math.max(span.opened, moves[i]?.t ?? 0))];
  const sceneOf = (i: number) => (i === 0 ? before : after(numbers[i - 1] as number));
  const lain = times.map((_, i) => lostFor(sceneOf(i).view, m.points()) === null);
  const shows = new Map<number, boolean>();
  const isShown = (i: number): boolean => {
    const known = shows.get(i);
    if (known !== undefined) return known;
    const made = shows.size < MOST && isUnhidden(m.mesh, sceneOf(i), m.subject);
    shows.set(i, made);
    return made;
  };
  /** Number of the first scene from `first` on that is not recovered before `until`; null: all are. */
  const firstFault = (first: number, until: number): number | null => {
    for (let i = first; i < times.length && (i === first || (times[i] as number) < until); i++) if (!lain[i] || !isShown(i)) return i;
    return null;
  };
  for (let i = 0; i < times.length; ) {
    const t = times[i] as number;
    const fault = firstFault(i, Math.min(span.to, t + HOLD));
    if (fault === null) return t - span.opened - pausedBetween(trace, span.opened, t);
    i = fault + 1;
  }
  return null;
}

/** Single commands that bring a lost subject back, the simplest first. */
const WAYS: readonly (readonly Command[])[] = [
  [{ kind: 'home' }],
  [{ kind: 'fit', what: 'all' }],
  [{ kind: 'reset' }],
  [{ kind: 'standard', name: 'top-front-right' }],
  [{ kind: 'level' }, { kind: 'fit', what: 'all' }],
  [
    { kind: 'standard', name: 'top-front-right' },
    { kind: 'fit', what: 'all' },
  ],
];

/** The shortest way back that is known: of few commands with a key of their own; null where none of them leads there. */
export function shortestWayBack(m: Measured, mayUse: (command: Command) => boolean = () => true): readonly Command[] | null {
  const selected = m.aim.subject;
  const toSubject: Command[] = [
    { kind: 'select', parts: [...selected] },
    { kind: 'fit', what: 'selection' },
  ];
  const ways = selected.length > 0 ? [...WAYS, toSubject, [{ kind: 'home' } as Command, ...toSubject]] : WAYS;
  return ways.filter((way) => way.every(mayUse)).find((way) => isRecovered(m.inScene(sceneAfter(m, way)))) ?? null;
}

const recoverTime: CriterionSpec = {
  label: 'Time to get back',
  unit: 's',
  display: 'seconds',
  how: 'Seconds from the beginning of the step until all of the subject is in the frame, a quarter of it wide or high, upright within 30°, a quarter of it unhidden, and stays so for a second.',
  tolerance: { full: 5, zero: 40 },
  live: true,
  rank: 2,
  mendedBy: ['home', 'fit', 'level'],
  measure: (m) => (m.aim.recover ? (m.evidence ? recoveredAt(m, m.evidence) : isRecovered(m) ? 0 : null) : null),
  advise(m, value) {
    if (value !== null) return advice('recoverTime', { seconds: value });
    const way = m.aim.recover ? shortestWayBack(m) : null;
    return advice('lost', { lost: lostFor(m.scene.view, m.points()) ?? 'hidden', way: way?.map(({ kind }) => kind) ?? [] }, way ?? []);
  },
};

/** How one who was lost gets back. */
export const RECOVER_CRITERIA = { recoverTime } as const;
