import type { Trace } from '../trace';

/** Time without its pauses: what is shown of an attempt runs on it. All seconds from opening. */
export interface Folding {
  /** Seconds that are left of the whole. */
  readonly seconds: number;
  /** Where a pause was folded away, in folded time, and how long it was. */
  readonly folds: readonly { readonly at: number; readonly seconds: number }[];
  readonly toFolded: (t: number) => number;
  /** Back again; a fold itself is where the pause began. */
  readonly fromFolded: (at: number) => number;
}

/** Folds the pauses of an attempt away, and what came before it began. */
export function foldingOf({ events, moves, end }: Pick<Trace, 'events' | 'moves' | 'end'>): Folding {
  const begin = Math.min(events.find(({ kind }) => kind === 'begin')?.t ?? 0, moves[0]?.t ?? Number.POSITIVE_INFINITY);
  const pauses: { from: number; to: number }[] = [];
  let since: number | null = null;
  for (const { kind, t } of events) {
    if (kind === 'pause') since ??= t;
    if (kind !== 'resume' || since === null) continue;
    if (t > since) pauses.push({ from: Math.max(begin, since), to: Math.max(begin, t) });
    since = null;
  }
  if (since !== null && end > since) pauses.push({ from: since, to: end });
  const toFolded = (t: number): number => {
    const paused = pauses.reduce((sum, { from, to }) => sum + Math.max(0, Math.min(t, to) - from), 0);
    return Math.max(0, t - begin - paused);
  };
  return {
    seconds: toFolded(end),
    folds: pauses.map(({ from, to }) => ({ at: toFolded(from), seconds: to - from })),
    toFolded,
    fromFolded(at) {
      let t = begin + at;
      for (const { from, to } of pauses) {
        if (t <= from) break;
        t += to - from;
      }
      return Math.min(end, t);
    },
  };
}
