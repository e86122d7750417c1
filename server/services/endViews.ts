import { anglesOf, directionError, type StepResult, type View } from '@core';
import { aimOf } from '@core/goals';
import { lastCards } from '../repositories/attempts';
import { findVersion } from '../repositories/exercises';
import type { RequestContext } from '../service';
import { exerciseRead } from './exercises';
import { traineesTaught } from './people';

/** Where a view looks from, radians: azimuth 0 is the front, +pi/2 the right side; elevation +pi/2 is the top. */
export interface LookedFrom {
  readonly azimuth: number;
  readonly elevation: number;
}

/** Where the last attempt of a learner ended in a step. */
export interface EndView extends LookedFrom {
  readonly attemptId: string;
  readonly name: string;
  /** 0 … 100 */
  readonly score: number;
  /** Angle off the target's direction, radians. */
  readonly off: number;
}

export interface StepEnds {
  /** From 0. */
  readonly step: number;
  readonly brief: string;
  readonly target: LookedFrom;
  /** The nearest to the target first. */
  readonly ends: readonly EndView[];
  /** Learners whose last attempt never came to this step. */
  readonly unreached: number;
}

function lookedFrom({ orientation }: View): LookedFrom {
  const { azimuth, elevation } = anglesOf(orientation);
  return { azimuth, elevation };
}

/** Where the class ended in each step of a version that asks for a view, by the last attempt of each learner that counts. */
export async function endViews(asked: RequestContext, exerciseId: string, number: number): Promise<StepEnds[]> {
  await exerciseRead(asked, exerciseId);
  const version = await findVersion(asked.db, exerciseId, number);
  const targets = version?.content.steps.flatMap((step, i) => {
    const view = aimOf(step).target?.view;
    return view ? [{ step: i, id: step.id, brief: step.brief, view }] : [];
  });
  if (!targets || targets.length === 0) return [];
  const people = new Map((await traineesTaught(asked)).map((person) => [person.id, person]));
  const cards = await lastCards(asked.db, exerciseId, number, [...people.keys()]);
  return targets.map(({ step, id, brief, view }) => {
    const reached = cards.flatMap(({ attemptId, personId, card }): EndView[] => {
      const result: StepResult | undefined = card.steps.find((each) => each.id === id);
      const end = result?.scene?.view;
      if (!result || !end) return [];
      return [
        { attemptId, name: people.get(personId)?.name ?? '', score: result.score, off: directionError(end.orientation, view.orientation), ...lookedFrom(end) },
      ];
    });
    return { step, brief, target: lookedFrom(view), ends: reached.sort((a, b) => a.off - b.off), unreached: cards.length - reached.length };
  });
}
