import * as attempts from '../repositories/attempts';
import type { RequestContext } from '../service';
import { type AttemptShown, attemptShown, linesAtVersion } from './attempts';
import { type CommentSeen, commentsSeen } from './comments';
import { isStaff, learningWith } from './people';

/** Another attempt at the same version, to be laid beside. */
export interface OtherAttempt {
  readonly id: string;
  readonly score: number;
  readonly handedInAt: Date;
}

/** An attempt with all that is needed to look at it again; its trace is fetched beside. Where it is not `known`, no curve, moment or figure of its goals is computed. */
export interface ReviewSeen extends AttemptShown {
  readonly comments: readonly CommentSeen[];
  /** The learner's own at this version, oldest first, this one among them. */
  readonly own: readonly OtherAttempt[];
  /** For those who teach: the best of the class, whose it is not said; null: there is none better. */
  readonly best: OtherAttempt | null;
}

const other = ({ id, score, handedInAt }: attempts.AttemptLine): OtherAttempt => ({ id, score, handedInAt });

/** The best attempt at a version by those who learn with a learner, of the groups that the one who asks teaches. */
async function bestOfClass(asked: RequestContext, { personId, exerciseId, version, id }: attempts.Attempt): Promise<OtherAttempt | null> {
  const people = await learningWith(asked, personId);
  const lines = (
    await attempts.attemptLines(
      asked.db,
      people.map((person) => person.id),
    )
  ).filter((line) => line.exerciseId === exerciseId && line.version === version && line.counts && line.id !== id);
  const best = lines.reduce<attempts.AttemptLine | null>((most, line) => (line.score > (most?.score ?? -1) ? line : most), null);
  return best && other(best);
}

export async function reviewSeen(asked: RequestContext, id: string): Promise<ReviewSeen> {
  const { shown } = await attemptShown(asked, id);
  return {
    ...shown,
    comments: await commentsSeen(asked, id),
    own: (await linesAtVersion(asked, shown.attempt)).map(other),
    best: isStaff(asked.who) ? await bestOfClass(asked, shown.attempt) : null,
  };
}
