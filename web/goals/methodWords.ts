import { isJudged } from '@core/criteria';
import { COMMAND_GROUP_IDS, COMMAND_GROUPS, type CommandGroupId, type TraineeStep } from '@core/exercise';
import { HAND_WORDS } from '@core/input';
import type { Vec3 } from '@core/math';
import type { CommandKind } from '@core/navigation';

const kindsOf = (group: CommandGroupId): readonly CommandKind[] => COMMAND_GROUPS[group].kinds;

/** All commands of some groups. */
export const kindsIn = (groups: readonly CommandGroupId[]): CommandKind[] => groups.flatMap(kindsOf);

/** The groups of which all commands are named. */
export const groupsOf = (kinds: readonly CommandKind[]): CommandGroupId[] =>
  COMMAND_GROUP_IDS.filter((group) => kindsOf(group).every((kind) => kinds.includes(kind)));

export type Judged = Pick<TraineeStep, 'method' | 'criteria'>;

/** The point about which a step has to be turned, where it is judged and may be known. */
export const pivotAsked = (step: Judged): Vec3 | null => (isJudged(step.criteria, 'pivotMissed') && step.method?.pivot?.point) || null;

/** How a step has to be done, in sentences, as far as it is judged by it. */
export function methodWords(step: Judged): string[] {
  const { method } = step;
  const said: string[] = [];
  if (method?.hand && isJudged(step.criteria, 'byHand')) {
    const names = groupsOf(method.hand.kinds).map((group) => COMMAND_GROUPS[group].label.toLowerCase());
    said.push(`With ${HAND_WORDS[method.hand.by]}: ${(names.length > 0 ? names : method.hand.kinds).join(', ')}.`);
  }
  if (isJudged(step.criteria, 'pivotMissed')) said.push(method?.pivot ? 'Turn about the marked point.' : 'Turn about the point that is asked.');
  return said;
}
