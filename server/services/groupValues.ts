import { drafted, sameData } from '@core';
import { criterionLines } from '../repositories/attempts';
import { findVersion, latestVersion } from '../repositories/exercises';
import { membersOf } from '../repositories/people';
import type { RequestContext } from '../service';
import { exerciseRead } from './exercises';
import { requireLedGroup } from './people';

/** What a group reached in one criterion: each member's best value and first value, in the criterion's unit. */
export interface ReachedValues {
  readonly criterion: string;
  readonly bests: readonly number[];
  readonly firsts: readonly number[];
}

export interface StepValues {
  /** Id of the step. */
  readonly step: string;
  readonly values: readonly ReachedValues[];
}

/**
 * What the members of a group reached in the newest version of an exercise, for the steps that ask the same in its draft;
 * only attempts that count.
 */
export async function groupValues(asked: RequestContext, exerciseId: string, groupId: string): Promise<StepValues[]> {
  const { draft } = await exerciseRead(asked, exerciseId);
  const group = await requireLedGroup(asked, groupId);
  const number = await latestVersion(asked.db, exerciseId);
  const version = number > 0 ? await findVersion(asked.db, exerciseId, number) : null;
  if (!version || !draft) return [];
  const members = (await membersOf(asked.db, group.id, 'trainee')).map(({ id }) => id);
  const lines = await criterionLines(asked.db, exerciseId, number, members);
  return drafted(version.content).steps.flatMap((step, at): StepValues[] => {
    const same = draft.steps.some(({ id, goal }) => id === step.id && sameData(goal, step.goal));
    if (!same) return [];
    const mine = lines.filter((line) => line.step === at);
    const values = [...new Set(mine.map(({ criterion }) => criterion))].map((criterion): ReachedValues => {
      const bests = new Map<string, number>();
      const firsts = new Map<string, number>();
      for (const { personId, value } of mine.filter((line) => line.criterion === criterion)) {
        if (!firsts.has(personId)) firsts.set(personId, value);
        bests.set(personId, Math.min(bests.get(personId) ?? value, value));
      }
      return { criterion, bests: [...bests.values()], firsts: [...firsts.values()] };
    });
    return [{ step: step.id, values }];
  });
}
