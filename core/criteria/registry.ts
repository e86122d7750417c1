import type { Advice } from './advice';
import { CALL_CRITERIA } from './calls';
import type { CriterionSpec } from './criterion';
import type { Criterion } from './criterionSchema';
import { FIND_CRITERIA } from './find';
import { FRAMING_CRITERIA } from './framing';
import { HAND_CRITERIA } from './hand';
import type { Measured } from './measured';
import { MEASURE_CRITERIA } from './measures';
import { METHOD_CRITERIA } from './method';
import { PATH_CRITERIA } from './path';
import { QUICK_CRITERIA } from './quick';
import { RECOVER_CRITERIA } from './recover';
import { SECTION_CRITERIA } from './section';
import { SEE_CRITERIA } from './see';
import { STAND_CRITERIA } from './stand';
import { VIEW_CRITERIA } from './view';
import { WAY_CRITERIA } from './way';

/** Every criterion by its id. The tables of `docs/scoring.md`, of the builder and of the card are made from it. */
const ALL = {
  ...VIEW_CRITERIA,
  ...FRAMING_CRITERIA,
  ...SECTION_CRITERIA,
  ...CALL_CRITERIA,
  ...PATH_CRITERIA,
  ...STAND_CRITERIA,
  ...RECOVER_CRITERIA,
  ...QUICK_CRITERIA,
  ...SEE_CRITERIA,
  ...WAY_CRITERIA,
  ...FIND_CRITERIA,
  ...MEASURE_CRITERIA,
  ...HAND_CRITERIA,
  ...METHOD_CRITERIA,
} as const;

export type CriterionId = keyof typeof ALL;
export const CRITERIA: Readonly<Record<CriterionId, CriterionSpec>> = ALL;
export const CRITERION_IDS = Object.keys(ALL) as [CriterionId, ...CriterionId[]];

/** Whether a criterion is among those that weigh something. */
export const isJudged = (criteria: readonly Criterion[], id: CriterionId): boolean => criteria.some((c) => c.id === id && c.weight > 0);

/** Whether one scene tells a criterion, and it weighs something. */
export const isLive = ({ id, weight }: Criterion): boolean => weight > 0 && CRITERIA[id].live;

/** Values that are known of what is measured: a judgement and its advice ask for the same ones. */
const values = new WeakMap<Measured, Map<CriterionId, number | null>>();

/** Value of a criterion in its own unit; null when it cannot be computed, which earns nothing. */
export function measure(id: CriterionId, m: Measured): number | null {
  let known = values.get(m);
  if (!known) values.set(m, (known = new Map()));
  const found = known.get(id);
  if (found !== undefined) return found;
  const value = CRITERIA[id].measure(m);
  known.set(id, value);
  return value;
}

/** What to change about a criterion whose value is `value`. */
export const advise = (id: CriterionId, m: Measured, value: number | null): Advice => CRITERIA[id].advise(m, value);
