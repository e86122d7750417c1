import type { Scheme, ScoreCard, TraineeExercise, View } from '@core';
import { coarseCard, forTrainee } from '@core';
import { notFound } from '../errors';
import * as attempts from '../repositories/attempts';
import { findVersion } from '../repositories/exercises';
import { findRevision } from '../repositories/models';
import { findPerson, groupsOf, membersOf } from '../repositories/people';
import { findScheme } from '../repositories/schemes';
import type { RequestContext } from '../service';
import { attemptToSee } from './attempts';
import { type CommentSeen, commentsSeen } from './comments';
import { groupsTaught, isStaff } from './people';

/** Another attempt at the same version, to be laid beside. */
export interface OtherAttempt {
  readonly id: string;
  readonly score: number;
  readonly handedInAt: Date;
}

/** An attempt with all that is needed to look at it again; its trace is fetched beside. */
export interface ReviewSeen {
  readonly attempt: attempts.Attempt;
  readonly learner: string;
  readonly card: ScoreCard;
  readonly exercise: TraineeExercise;
  /** Whether the goals may be known: else no curve, moment or figure of them is computed. */
  readonly known: boolean;
  readonly pictures: readonly (string | null)[];
  readonly scheme: Scheme | null;
  readonly meshHash: string;
  readonly home: View;
  readonly comments: readonly CommentSeen[];
  readonly verdict: attempts.Verdict;
  /** The learner's own at this version, oldest first, this one among them. */
  readonly own: readonly OtherAttempt[];
  /** For those who teach: the best of the class, whose it is not said; null: there is none better. */
  readonly best: OtherAttempt | null;
}

const other = ({ id, score, handedInAt }: attempts.AttemptLine): OtherAttempt => ({ id, score, handedInAt });

/** The best attempt at a version by those who learn with a learner, of the groups that the one who asks teaches. */
async function bestOfClass(asked: RequestContext, { personId, exerciseId, version, id }: attempts.Attempt): Promise<OtherAttempt | null> {
  const learns = new Set((await groupsOf(asked.db, personId, 'trainee')).map((group) => group.id));
  const groups = (await groupsTaught(asked)).filter((group) => learns.has(group.id));
  const people = new Set((await Promise.all(groups.map((group) => membersOf(asked.db, group.id, 'trainee')))).flat().map((person) => person.id));
  const lines = (await attempts.attemptLines(asked.db, [...people])).filter(
    (line) => line.exerciseId === exerciseId && line.version === version && line.counts && line.id !== id,
  );
  const best = lines.reduce<attempts.AttemptLine | null>((most, line) => (line.score > (most?.score ?? -1) ? line : most), null);
  return best && other(best);
}

export async function reviewSeen(asked: RequestContext, id: string): Promise<ReviewSeen> {
  const attempt = await attemptToSee(asked, id);
  const card = await attempts.cardOf(asked.db, id);
  const version = card && (await findVersion(asked.db, attempt.exerciseId, attempt.version));
  const revision = version && (await findRevision(asked.db, attempt.model.id, attempt.model.revision));
  if (!card || !version || !revision) throw notFound('This attempt');
  const known = isStaff(asked.who) || version.content.showTarget;
  const lines = await attempts.attemptLines(asked.db, [attempt.personId]);
  return {
    attempt,
    learner: (await findPerson(asked.db, attempt.personId))?.name ?? '',
    card: known ? card : coarseCard(card, version.content.start),
    exercise: known ? version.content : forTrainee(version.content),
    known,
    pictures: version.pictures,
    scheme: await findScheme(asked.db, attempt.scheme.id, attempt.scheme.revision),
    meshHash: revision.meshHash,
    home: revision.home,
    comments: await commentsSeen(asked, id),
    verdict: await attempts.verdictOf(asked.db, id),
    own: lines.filter((line) => line.exerciseId === attempt.exerciseId && line.version === attempt.version).map(other),
    best: isStaff(asked.who) ? await bestOfClass(asked, attempt) : null,
  };
}
