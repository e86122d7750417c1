import { momentsOf, mostTelling } from '@core';
import { meshOf } from '@server/meshes';
import { attemptLines, traceOf } from '@server/repositories/attempts';
import { findVersion } from '@server/repositories/exercises';
import type { Person, RequestContext, Service } from '@server/service';
import { addComment, commentsRead, markUnderstood } from '@server/services/comments';
import { getModel } from '@server/services/models';

interface Said {
  /** Sign-in name of the learner, and the exercise; the worst of their attempts at it. */
  readonly learner: string;
  readonly title: string;
  readonly words: string;
  readonly answer?: string;
}

/** What Maren said, each at the moment that tells most. */
const SAID: readonly Said[] = [
  {
    learner: 'tomas',
    title: 'Round to the ladder',
    words: 'Here you turned away from the ladder. Before you turn, look at the hollow dot on the dial: it shows on which side the target lies.',
    answer: 'I had not seen the dot. Next time I look there first.',
  },
  {
    learner: 'oskar',
    title: 'Round to the ladder',
    words: 'This is where most of it was lost. Try it slowly: one long drag instead of many short ones.',
  },
];

/** Comments at moments of attempts, as the instructor makes them; some are answered and understood. */
export async function commentOnAttempts(service: Service, instructor: Person, learners: readonly Person[]): Promise<void> {
  const asked: RequestContext = { ...service, who: instructor };
  for (const { learner, title, words, answer } of SAID) {
    const person = learners.find(({ signIn }) => signIn === learner);
    const lines = person ? (await attemptLines(service.db, [person.id])).filter((line) => line.title === title) : [];
    const worst = lines.reduce<(typeof lines)[number] | null>((least, line) => (line.score < (least?.score ?? Number.POSITIVE_INFINITY) ? line : least), null);
    const version = worst && (await findVersion(service.db, worst.exerciseId, worst.version));
    const trace = worst && (await traceOf(service.db, worst.id));
    if (!person || !worst || !version || !trace) continue;
    const { revision } = await getModel(asked, version.content.model.id, version.content.model.revision);
    const model = { mesh: await meshOf(service, revision.meshHash), home: revision.home };
    const t = mostTelling(momentsOf(version.content.steps, model, trace, true))?.t ?? 0;
    const id = await addComment(asked, worst.id, { t, point: null, words, answersId: null });
    if (!answer) continue;
    const theirs: RequestContext = { ...service, who: person };
    await commentsRead(theirs, worst.id);
    await addComment(theirs, worst.id, { t, point: null, words: answer, answersId: id });
    await markUnderstood(theirs, id, true);
  }
}
