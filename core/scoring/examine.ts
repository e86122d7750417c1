import { CRITERIA } from '../criteria';
import { type Exercise, startsOf, stepsOn } from '../exercise';
import { type Fault, kindOf, type Rules } from '../goals';
import { commandKindsOf, schemesMeant } from '../input';
import type { ScoredModel } from '../model';
import type { CommandKind } from '../navigation';
import { kindsOnScreen, TRACE_FORMAT, type Trace } from '../trace';
import { methodFindings } from './methodFindings';
import { gainOf, type Judged, startIsTarget } from './points';
import { startPoints } from './startPoints';

/** What is wrong with an exercise, or may be unfair, in words, and the field to mend it at. */
export interface Finding {
  readonly message: string;
  readonly field: string;
}

const tenths = (x: number): number => Math.round(x * 10) / 10;

const startOf = (content: Exercise): Trace => ({
  format: TRACE_FORMAT,
  exercise: { id: 'examined', version: 0 },
  model: content.model,
  scheme: { id: 'none', revision: 1 },
  start: content.start,
  seed: 0,
  moves: [],
  events: [],
  end: 0,
});

/** What each criterion of an exercise would earn untouched, as it counts. */
const untouchedOf = (content: Exercise, model: ScoredModel): Judged[][] => {
  const points = startPoints(content.steps, model, startOf(content));
  return content.steps.map((step, i) =>
    step.criteria.map((criterion, k) => ({ points: 0, startPoints: points[i]?.[k] ?? 0, weight: criterion.weight, must: criterion.must ?? false })),
  );
};

/** Kinds of command that some scheme of an exercise gives, or the screen does for all; null where a scheme is not built in. */
function givenBy(ids: readonly string[]): ReadonlySet<CommandKind> | null {
  const found = new Set<CommandKind>(kindsOnScreen());
  for (const scheme of schemesMeant(ids)) {
    if (!scheme) return null;
    const words = (scheme.options.nearHand?.words ?? []).map((command) => ({ command }));
    for (const kind of [...scheme.bindings, ...words].flatMap(commandKindsOf)) found.add(kind);
  }
  // Turns by keys are orbits.
  return found.has('turn') ? found.add('orbit') : found;
}

/** The exercise as it is published: with what is found out about its goals on its model. */
export const settled = (content: Exercise, model: ScoredModel): Exercise => ({
  ...content,
  steps: content.steps.map((step) => ({ ...step, goal: kindOf(step.goal).settled?.add(step.goal, model) ?? step.goal })),
});

/** The exercise as it was drafted: without what was found out when it was published. */
export const drafted = (content: Exercise): Exercise => ({
  ...content,
  steps: content.steps.map((step) => ({ ...step, goal: kindOf(step.goal).settled?.drop(step.goal) ?? step.goal })),
});

const rulesFor = ({ allowed, start, schemes }: Exercise, { skill }: Exercise['steps'][number]): Rules => ({ allowed, start, skill, given: givenBy(schemes) });

/** What is told of a step, with its number and its field. */
const placed = ({ message, field }: Fault, step: number): Finding => ({
  message: `Step ${step + 1}: ${message}.`,
  field: field === 'allowed' || field === 'start' ? field : `steps.${step}.${field}`,
});

/** Looks an exercise through before it is published. `faults` keep it from that, `warnings` do not. */
export function examineExercise(content: Exercise, model: ScoredModel): { readonly faults: readonly Finding[]; readonly warnings: readonly Finding[] } {
  const parts = new Set(model.mesh.parts.map((part) => part.id));
  const numbers = content.steps.flatMap((step, i) => (step.off ? [] : [i]));
  const faults = content.steps.flatMap((step, i): Finding[] => {
    if (step.off) return [];
    const kind = kindOf(step.goal);
    const unknown = kind.partsNamed(step.goal).find((id) => !parts.has(id));
    if (unknown !== undefined) return [{ message: `Step ${i + 1}: the model has no part "${unknown}".`, field: `steps.${i}.goal` }];
    return [...kind.faults(step.goal, rulesFor(content, step), model), ...methodFindings(step, content).faults].map((fault) => placed(fault, i));
  });
  if (faults.length > 0) return { faults, warnings: [] };
  const on = stepsOn(content);
  const untouched = untouchedOf(on, model);
  const starts = startsOf(content);
  const met = starts.findIndex((start, i) => startIsTarget((i === 0 ? untouched : untouchedOf({ ...on, start }, model)).flat()));
  if (met === 0) return { faults: [{ message: 'The start already is the target: set another start, or another target.', field: 'start' }], warnings: [] };
  if (met > 0)
    return {
      faults: [{ message: `One of the starts (number ${met + 1} of ${starts.length}) already is the target: let attempts begin otherwise.`, field: 'start' }],
      warnings: [],
    };
  const warnings = untouched.flatMap((step, at): Finding[] => {
    const i = numbers[at] as number;
    const { toGain, toLose } = gainOf(step);
    if (toLose <= toGain) return [];
    const held = step
      .map((entry, k) => ({ weight: entry.weight * entry.startPoints, id: content.steps[i]?.criteria[k]?.id }))
      .sort((a, b) => b.weight - a.weight)
      .flatMap(({ weight, id }) => (id && weight > 0 ? [CRITERIA[id].label.toLowerCase()] : []))
      .slice(0, 3);
    return [
      {
        message: `Step ${i + 1}: more can be lost than gained (${tenths(toLose)} of weight against ${tenths(toGain)}). What is right at the start weighs most: ${held.join(', ')}. Whoever loses it on the way to the target earns little: lower those weights, or ask for more.`,
        field: `steps.${i}.criteria`,
      },
    ];
  });
  const doubts = content.steps.flatMap((step, i): Finding[] =>
    step.off
      ? []
      : [...(kindOf(step.goal).doubts?.(step.goal, rulesFor(content, step), model) ?? []), ...methodFindings(step, content).doubts].map((fault) =>
          placed(fault, i),
        ),
  );
  return { faults, warnings: [...doubts, ...warnings] };
}
