import { type Advice, advise, CRITERIA, type CriterionId, isLive, measure, pointsFor, sceneAfter } from '../criteria';
import type { Step } from '../exercise';
import { measuredNow } from '../goals/measuredNow';
import type { LabelledScheme } from '../input';
import type { ScoredModel } from '../model';
import type { Command, Scene } from '../navigation';
import { sentenceOf } from './sentences';

/** What is said of one criterion. */
export interface Advised {
  readonly criterion: CriterionId;
  /** The eye's half, then the hand's. */
  readonly sentence: string;
  /** The commands that the sentence tells; none for a remark. */
  readonly moves: readonly Command[];
}

/** Bringing the subject back into the frame is told under what of the framing it mends. */
const FRAMING: readonly CriterionId[] = ['placement', 'size', 'margin', 'fill', 'clipped', 'direction'];

/** Criteria of a step that the present scene does not meet, in the order in which a coach goes. */
function unmet(step: Step, model: ScoredModel, scene: Scene) {
  const measured = measuredNow(step, model, scene);
  return step.criteria
    .filter(isLive)
    .map((criterion) => ({ criterion, value: measure(criterion.id, measured) }))
    .filter(({ criterion, value }) => value === null || pointsFor(value, criterion) < 1)
    .sort((a, b) => CRITERIA[a.criterion.id].rank - CRITERIA[b.criterion.id].rank)
    .map(({ criterion: { id }, value }) => ({ id, value, advise: (): Advice => advise(id, measured, value) }));
}

/** Where bringing it back into the frame stands: before all else, under what of the framing it mends. */
const placeOf = ({ id, advice }: { readonly id: CriterionId; readonly advice: Advice }): number => {
  const place = FRAMING.indexOf(id);
  return advice.code === 'intoFrame' && place >= 0 ? place : FRAMING.length;
};

/** What a coach would say of the present scene: the unmet criteria that it tells, in the order of what to do first. */
export function adviceOf(step: Step, model: ScoredModel, scene: Scene, scheme: LabelledScheme | null): Advised[] {
  const made = unmet(step, model, scene).map(({ id, advise: make }) => ({ id, advice: make() }));
  return made.sort((a, b) => placeOf(a) - placeOf(b)).map(({ id, advice }) => ({ criterion: id, sentence: sentenceOf(advice, scheme), moves: advice.moves }));
}

/**
 * The one sentence while practising: the first that tells a way, or the first remark where none does; null where all is as
 * asked. Later criteria are asked only when they must be.
 */
export function firstAdvice(step: Step, model: ScoredModel, scene: Scene): { criterion: CriterionId; advice: Advice } | null {
  const list = unmet(step, model, scene);
  for (const id of FRAMING) {
    const advice = list.find((entry) => entry.id === id && entry.value === null)?.advise();
    if (advice?.code === 'intoFrame') return { criterion: id, advice };
  }
  let remark: { criterion: CriterionId; advice: Advice } | null = null;
  for (const { id, advise: make } of list) {
    const made = { criterion: id, advice: make() };
    if (made.advice.moves.length > 0) return made;
    remark ??= made;
  }
  return remark;
}

/** The scenes of a learner who does just what the first sentence says, again and again: at most `rounds`, fewer when none tells a way. */
export function followAdvice(step: Step, model: ScoredModel, scene: Scene, rounds: number): Scene[] {
  const scenes: Scene[] = [];
  let at = scene;
  for (let i = 0; i < rounds; i++) {
    const first = firstAdvice(step, model, at);
    if (!first || first.advice.moves.length === 0) break;
    at = sceneAfter({ model, scene: at }, first.advice.moves);
    scenes.push(at);
  }
  return scenes;
}
