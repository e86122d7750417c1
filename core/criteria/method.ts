import { handOf } from '../input/hands';
import { distanceBetween } from '../math';
import type { CommandKind } from '../navigation';
import type { Move } from '../trace';
import { advice } from './advice';
import type { CriterionSpec } from './criterion';
import type { Evidence } from './evidence';
import type { Method } from './methodSchema';

/** Commands that go round a pivot. */
const GO_ROUND: readonly CommandKind[] = ['orbit', 'turn'];

/** The first move of each gesture that gave one of these commands; a move without a gesture stands alone. */
function firstMoves({ moves }: Evidence, kinds: readonly CommandKind[]): { readonly move: Move; readonly at: number }[] {
  const known = new Set<number>();
  return moves.flatMap((move, at) => {
    if (!kinds.includes(move.command.kind)) return [];
    const id = move.gesture?.id;
    if (id !== undefined && known.has(id)) return [];
    if (id !== undefined) known.add(id);
    return [{ move, at }];
  });
}

/** How far from the asked point the pivots of a step's orbits lay, metres, in their order. */
export function pivotsOff(evidence: Evidence, { point }: NonNullable<Method['pivot']>): number[] {
  return firstMoves(evidence, GO_ROUND).map(({ move: { command }, at }) => {
    const before = (evidence.views[at - 1] ?? evidence.before.view).target;
    return distanceBetween((command.kind === 'orbit' ? command.pivot : undefined) ?? before, point);
  });
}

/** How many of the named commands were given, gesture by gesture, and how many of them with something else. */
export function handCounts(evidence: Evidence, { kinds, by }: NonNullable<Method['hand']>): { readonly count: number; readonly other: number } {
  const made = firstMoves(evidence, kinds);
  return { count: made.length, other: made.filter(({ move: { gesture } }) => !gesture || handOf(gesture) !== by).length };
}

const pivotMissed: CriterionSpec = {
  label: 'Turned about the point',
  unit: 'share',
  display: 'percent',
  of: 'of the orbits about another point',
  how: 'Of the gestures that went round, the share whose pivot lay farther from the asked point than the author allows; without one nothing is missed.',
  tolerance: { full: 0, zero: 0.5 },
  live: false,
  rank: 67,
  measure({ aim: { method }, evidence }) {
    if (!evidence || !method?.pivot) return null;
    const { within } = method.pivot;
    const off = pivotsOff(evidence, method.pivot);
    return off.length === 0 ? 0 : off.filter((metres) => metres > within).length / off.length;
  },
  advise({ aim: { method }, evidence }, value) {
    if (!evidence || !method?.pivot || value === null) return advice('notMeasured', {});
    const off = pivotsOff(evidence, method.pivot);
    const missed = off.filter((metres) => metres > (method.pivot?.within ?? 0));
    return missed.length === 0 ? advice('asAsked', {}) : advice('otherPivot', { count: missed.length, of: off.length, farthest: Math.max(...missed) });
  },
};

const byHand: CriterionSpec = {
  label: 'With the asked hand',
  unit: 'share',
  display: 'percent',
  of: 'with something else',
  how: 'Of the named commands, gesture by gesture, the share that was not given with what was asked: keys, drags, the wheel …; where something was done and none of them, all of it.',
  tolerance: { full: 0, zero: 0.5 },
  live: false,
  rank: 68,
  tellsNothing: true,
  measure({ aim: { method }, evidence }) {
    if (!evidence || !method?.hand) return null;
    const { count, other } = handCounts(evidence, method.hand);
    if (count > 0) return other / count;
    return evidence.moves.length > 0 ? 1 : 0;
  },
  advise({ aim: { method }, evidence }, value) {
    if (!evidence || !method?.hand || value === null) return advice('notMeasured', {});
    if (value === 0) return advice('asAsked', {});
    return advice('otherHand', { ...handCounts(evidence, method.hand), by: method.hand.by });
  },
};

/** By which way it was done. */
export const METHOD_CRITERIA = { pivotMissed, byHand } as const;
