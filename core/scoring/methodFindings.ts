import { isJudged } from '../criteria';
import type { Exercise, Step } from '../exercise';
import { isAllowed } from '../exercise/commandGroups';
import type { Fault } from '../goals';
import { bindingName, commandKindsOf, HAND_WORDS, handOfTrigger, type Scheme, schemesMeant } from '../input';
import { kindsOnScreen } from '../trace';

type Hand = NonNullable<NonNullable<Step['method']>['hand']>;

/** The bindings of a scheme that give what is named with what is asked. */
const bindingsFor = ({ bindings }: Scheme, { kinds, by }: Hand) =>
  bindings.filter((binding) => handOfTrigger(binding.trigger) === by && commandKindsOf(binding).some((kind) => kinds.includes(kind)));

const inQuotes = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');

/** Whether a text tells one to press a key of this name. */
const namesKey = (text: string, name: string): boolean =>
  new RegExp(`\\b(press|hit|type|keys?)\\b[^.;]{0,12}(?<!\\w)${inQuotes(name)}(?!\\w)|(?<!\\w)${inQuotes(name)} key\\b`, 'i').test(text);

/**
 * What is wrong with how a step has to be done, and what may be unfair: nothing said of it, nobody can do it so, some
 * schemes cannot, or a hint gives it away. `faults` keep an exercise from being published.
 */
export function methodFindings(
  step: Step,
  { allowed, schemes }: Pick<Exercise, 'allowed' | 'schemes'>,
): { readonly faults: Fault[]; readonly doubts: Fault[] } {
  const faults: Fault[] = [];
  const doubts: Fault[] = [];
  const { method } = step;
  if (isJudged(step.criteria, 'pivotMissed') && !method?.pivot) faults.push({ message: 'say about which point it is to be turned', field: 'criteria' });
  if (!isJudged(step.criteria, 'byHand')) return { faults, doubts };
  const hand = method?.hand;
  if (!hand) return { faults: [...faults, { message: 'say which commands are to be given, and with what', field: 'criteria' }], doubts };
  const words = HAND_WORDS[hand.by];
  if (!hand.kinds.some((kind) => isAllowed(kind, allowed)))
    faults.push({ message: `nothing of what is to be done by ${words} is allowed: allow it, or name other commands`, field: 'allowed' });
  const meant = schemesMeant(schemes);
  const known = meant.flatMap((scheme) => scheme ?? []);
  const able = known.map((scheme) => ({ scheme, bindings: bindingsFor(scheme, hand) }));
  const unable = hand.by === 'screen' ? [] : able.filter(({ bindings }) => bindings.length === 0).map(({ scheme }) => scheme.name);
  // Of a scheme that is not built in nothing is known here.
  const all = known.length === meant.length;
  if (all && (hand.by === 'screen' ? !kindsOnScreen().some((kind) => hand.kinds.includes(kind)) : unable.length === known.length))
    faults.push({ message: `no scheme gives these commands by ${words}: name others, or choose other schemes`, field: 'criteria' });
  else if (unable.length > 0)
    doubts.push({
      message: `who uses ${unable.join(', ')} cannot do it by ${words}, and loses these points: choose the schemes it is meant for`,
      field: 'criteria',
    });
  const told = [...new Set(able.flatMap(({ bindings }) => bindings.map(bindingName)))];
  const hint = step.hints.findIndex((text) => told.some((name) => namesKey(text, name)));
  if (hint >= 0) doubts.push({ message: `hint ${hint + 1} names the very gesture, though how it is done is judged`, field: 'criteria' });
  return { faults, doubts };
}
