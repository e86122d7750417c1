import type { CriterionId } from './criteriaList';
import type { Criterion } from './exerciseSchema';
import type { Goal, GoalKind } from './goals';

const DEG = Math.PI / 180;
const c = (id: CriterionId, full: number, zero: number, weight: number, must?: true): Criterion => ({ id, full, zero, weight, ...(must ? { must } : {}) });

/**
 * Tolerances a practised hand keeps without trying hard: 3 degrees, a twentieth of an octave, two hundredths of the
 * frame; nothing is earned where a glance tells the difference. Time and gestures weigh nothing until mastery is asked.
 */
const USUAL: Record<GoalKind, readonly Criterion[]> = {
  matchView: [
    c('direction', 3 * DEG, 45 * DEG, 4),
    c('roll', 2 * DEG, 30 * DEG, 1),
    c('size', 0.05, 1, 2),
    c('placement', 0.02, 0.4, 2),
    c('projection', 0, 0, 1),
    c('overlap', 0.08, 0.9, 2),
    c('time', 20, 120, 0),
    c('gestures', 4, 30, 0),
  ],
  callView: [c('standardAngle', 3 * DEG, 45 * DEG, 5, true), c('wrongTurns', 0, 6, 2), c('callTime', 4, 30, 1), c('gestures', 6, 60, 0)],
  followOrbit: [
    c('orbitPath', 4 * DEG, 40 * DEG, 4),
    c('orbitWorst', 10 * DEG, 80 * DEG, 2),
    c('orbitSweep', 10 * DEG, 120 * DEG, 1),
    c('pivotDrift', 0.03, 0.4, 1),
    c('smoothness', 0.6, 5, 1),
    c('time', 20, 120, 0),
  ],
  frameIt: [c('margin', 0.02, 0.3, 3), c('fill', 0.03, 0.5, 2), c('clipped', 0, 0.25, 2), c('hiddenShare', 0.1, 0.9, 1), c('time', 15, 90, 0)],
  cutToReveal: [
    c('sectionAngle', 3 * DEG, 45 * DEG, 2),
    c('sectionOffset', 0.02, 0.3, 2),
    c('sectionOverlap', 0.1, 0.95, 2),
    c('sectionSide', 0, 0, 1),
    c('time', 20, 120, 0),
  ],
};

/** Criteria that can be computed for a goal, with tolerances and weights to begin with. */
export function usualCriteria(goal: Goal): Criterion[] {
  if (goal.kind === 'cutToReveal' && !goal.plane) return [c('revealed', 0, 1, 4, true), c('time', 20, 120, 0)];
  const list = USUAL[goal.kind].map((criterion) => ({ ...criterion }));
  if (goal.kind === 'cutToReveal' && goal.reveal.length > 0) list.splice(4, 0, c('revealed', 0, 1, 2));
  if (goal.kind === 'callView' && goal.calls.some((call) => call.kind === 'face')) list.splice(1, 0, c('normalAngle', 4 * DEG, 45 * DEG, 3));
  if (goal.kind === 'callView' && goal.calls.every((call) => call.kind === 'face')) return list.filter((entry) => entry.id !== 'standardAngle');
  if (goal.kind === 'matchView') {
    if (Object.keys(goal.target.visibility).length > 0) list.splice(6, 0, c('visibility', 0, 0.6, 2));
    if (goal.target.section) list.splice(6, 0, ...USUAL.cutToReveal.slice(0, 4));
  }
  return list;
}

const EVERYWHERE: readonly CriterionId[] = ['time', 'gestures', 'switches', 'hints', 'detour'];
const MEASURED: Record<GoalKind, readonly CriterionId[]> = {
  matchView: [
    'direction',
    'roll',
    'size',
    'placement',
    'projection',
    'overlap',
    'visibility',
    'clipped',
    'hiddenShare',
    'lostTime',
    'sectionAngle',
    'sectionOffset',
    'sectionOverlap',
    'sectionSide',
  ],
  callView: ['standardAngle', 'normalAngle', 'callTime', 'wrongTurns'],
  followOrbit: ['orbitPath', 'orbitWorst', 'orbitSweep', 'pivotDrift', 'smoothness'],
  frameIt: ['margin', 'fill', 'clipped', 'hiddenShare', 'lostTime'],
  cutToReveal: ['sectionAngle', 'sectionOffset', 'sectionOverlap', 'sectionSide', 'revealed'],
};

/** Whether a criterion means anything for a goal. */
export const isMeasured = (goal: Goal, id: CriterionId): boolean => EVERYWHERE.includes(id) || MEASURED[goal.kind].includes(id);
/** Criteria an author can choose for a goal. */
export const measuredFor = (goal: Goal): CriterionId[] => [...MEASURED[goal.kind], ...EVERYWHERE];
