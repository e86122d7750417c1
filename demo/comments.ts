import { type MomentKind, momentsOf } from '@core';
import { meshOf } from '@server/meshes';
import { attemptLines, traceOf } from '@server/repositories/attempts';
import { findVersion } from '@server/repositories/exercises';
import type { Person, RequestContext, Service } from '@server/service';
import { addComment, commentsRead, markUnderstood } from '@server/services/comments';
import { getModel } from '@server/services/models';

interface Said {
  /** Sign-in name of the learner; where none of their attempts has such a moment, anybody's. */
  readonly learner: string;
  readonly about: MomentKind;
  readonly words: string;
  readonly answer?: string;
}

/** What Maren said, each at a moment that is as she says. */
const SAID: readonly Said[] = [
  {
    learner: 'tomas',
    about: 'wrongWay',
    words: 'Here you turned away from the target. Before you turn, look at the hollow dot on the dial: it shows on which side it lies.',
    answer: 'I had not seen the dot. Next time I look there first.',
  },
  {
    learner: 'oskar',
    about: 'wrongWay',
    words: 'This turn led away from it. Stop after each turn and compare with the picture: one long drag is better than many short ones.',
  },
];

/** The worst attempt of a person that has a moment of a kind, and when that was; of one that was not spoken of yet. */
async function attemptWith(asked: RequestContext, person: Person, kind: MomentKind, spoken: ReadonlySet<string>): Promise<{ id: string; t: number } | null> {
  const lines = (await attemptLines(asked.db, [person.id])).filter(({ id }) => !spoken.has(id)).sort((a, b) => a.score - b.score);
  for (const { id, exerciseId, version } of lines) {
    const content = (await findVersion(asked.db, exerciseId, version))?.content;
    const trace = await traceOf(asked.db, id);
    if (!content || !trace) continue;
    const { revision } = await getModel(asked, content.model.id, content.model.revision);
    const model = { mesh: await meshOf(asked, revision.meshHash), home: revision.home };
    const moment = momentsOf(content.steps, model, trace, true).find((each) => each.kind === kind);
    if (moment) return { id, t: moment.t };
  }
  return null;
}

/** Comments at moments of attempts, as the instructor makes them; some are answered and understood. */
export async function commentOnAttempts(service: Service, instructor: Person, learners: readonly Person[]): Promise<void> {
  const asked: RequestContext = { ...service, who: instructor };
  const spoken = new Set<string>();
  for (const { learner, about, words, answer } of SAID) {
    for (const person of [...learners].sort((a, b) => Number(b.signIn === learner) - Number(a.signIn === learner))) {
      const found = await attemptWith(asked, person, about, spoken);
      if (!found) continue;
      const { id, t } = found;
      spoken.add(id);
      const comment = await addComment(asked, id, { t, point: null, words, answersId: null });
      if (answer) {
        const theirs: RequestContext = { ...service, who: person };
        await commentsRead(theirs, id);
        await addComment(theirs, id, { t, point: null, words: answer, answersId: comment });
        await markUnderstood(theirs, comment, true);
      }
      break;
    }
  }
}
