import { type Advice, advice, type Criterion, createSeenSoFar, pointsFor } from '../criteria';
import type { Step } from '../exercise';
import type { ScoredModel } from '../model';
import type { Scene } from '../navigation';
import { aimOf } from './aims';

/** What a step has come to over the scenes that were looked at, while practising: for criteria that no single scene tells. */
export interface LiveProgress {
  /** A scene at which the hand rests. */
  add(scene: Scene): void;
  readonly results: () => (Criterion & { readonly value: number; readonly points: number })[];
  /** What is left; null: nothing. */
  readonly advice: () => Advice | null;
}

/** Null where a step has nothing that grows with what is looked at. */
export function liveProgress(step: Step, model: ScoredModel): LiveProgress | null {
  const { see } = aimOf(step);
  const criterion = step.criteria.find(({ id, weight }) => id === 'unseen' && weight > 0);
  if (!see || !criterion) return null;
  const seen = createSeenSoFar(model, see);
  return {
    add: seen.add,
    results: () => [{ ...criterion, value: seen.unseen(), points: pointsFor(seen.unseen(), criterion) }],
    advice: () => (pointsFor(seen.unseen(), criterion) >= 1 ? null : advice('unseen', { share: seen.unseen(), side: see.sides ? seen.side() : null })),
  };
}
