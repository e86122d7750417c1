import { beforeEach, describe, expect, it } from 'vitest';
import { setCounting } from '../repositories/attempts';
import { addGroup, addMember } from '../repositories/people';
import type { RequestContext } from '../service';
import { aModel, handInFor, person, toPublish } from '../tests/testService';
import { useSchool } from '../tests/useSchool';
import { assignExercise } from './assigning';
import { checkData } from './checkData';
import { addComment, commentsRead, commentsSeen, editComment, markUnderstood, removeComment, unreadInGroup, unreadMine } from './comments';
import { draftRead, makeExercise, publish, saveDraft } from './exercises';
import { progressOf } from './progress';
import { reviewSeen } from './review';
import { leaveOut, setScore } from './verdicts';

const { service, s } = useSchool();
let exerciseId: string;
let attemptId: string;
/** Who may not see the attempt: another trainee of the group, another group's instructor. */
let strangers: RequestContext[];

async function published(change: { showTarget?: boolean } = {}): Promise<string> {
  const { model } = await aModel(s.instructor);
  const id = await makeExercise(s.instructor, model.id);
  const { draft } = await draftRead(s.instructor, id);
  const content = { ...toPublish(draft), ...change, ...(change.showTarget === false ? { liveHelp: false } : {}) };
  await saveDraft(s.instructor, id, content);
  await publish(s.instructor, id, [change.showTarget === false ? new Uint8Array([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 1]) : null]);
  await assignExercise(s.instructor, { groupId: s.group.id, exerciseId: id, dueOn: null });
  return id;
}

beforeEach(async () => {
  exerciseId = await published();
  attemptId = await handInFor(s.trainee, exerciseId);
  const [beside, other] = [await person(service, 'trainee'), await person(service, 'instructor')];
  await addMember(service.db, s.group.id, beside.id, 'trainee');
  const elsewhere = { id: other.id, name: `of ${other.name}` };
  await addGroup(service.db, elsewhere, service.now());
  await addMember(service.db, elsewhere.id, other.id, 'instructor');
  strangers = [beside, other].map((who) => ({ ...service, who }));
});

const words = (list: readonly { readonly words: string }[]): string[] => list.map((comment) => comment.words);
const say = (asked: RequestContext, text: string, answersId: string | null = null): Promise<string> =>
  addComment(asked, attemptId, { t: 1.5, point: [1, 2, 3], words: text, answersId });

describe('comments', () => {
  it('are begun by those who teach, answered by the learner, and seen by both', async () => {
    const id = await say(s.instructor, 'Here you went left.');
    service.pass(1);
    await say(s.trainee, 'I see.', id);
    expect(await commentsSeen(s.trainee, attemptId)).toMatchObject([
      { words: 'Here you went left.', t: 1.5, point: [1, 2, 3], mine: false, answersId: null, author: s.instructor.who.name },
      { words: 'I see.', t: 1.5, point: null, mine: true, answersId: id },
    ]);
    expect(words(await commentsSeen(s.lead, attemptId))).toHaveLength(2);
    await expect(say(s.trainee, 'By myself')).rejects.toThrow('begun by those who teach');
    // An answer is not answered: all answers stand in one row.
    const answer = (await commentsSeen(s.trainee, attemptId))[1]?.id ?? '';
    await expect(say(s.instructor, 'And I', answer)).rejects.toMatchObject({ status: 404 });
  });

  it('are nothing to anybody else, neither to read nor to change, also by their id', async () => {
    const id = await say(s.instructor, 'For one alone');
    for (const asked of strangers) {
      for (const tried of [
        () => commentsSeen(asked, attemptId),
        () => say(asked, 'me too'),
        () => say(asked, 'me too', id),
        () => editComment(asked, id, 'changed'),
        () => removeComment(asked, id),
        () => markUnderstood(asked, id, true),
        () => commentsRead(asked, attemptId),
        () => reviewSeen(asked, attemptId),
        () => leaveOut(asked, attemptId, 'why'),
        () => setScore(asked, attemptId, { score: 1, why: 'why' }),
      ])
        await expect(tried()).rejects.toMatchObject({ status: 404 });
      expect(await unreadMine(asked)).toEqual([]);
    }
    await expect(unreadInGroup(strangers[1] as RequestContext, s.group.id)).rejects.toMatchObject({ status: 404 });
    expect(words(await commentsSeen(s.trainee, attemptId))).toEqual(['For one alone']);
  });

  it('are changed and removed by who wrote them alone, answers with them', async () => {
    const id = await say(s.instructor, 'Frist');
    service.pass(1);
    await say(s.trainee, 'What?', id);
    await expect(editComment(s.trainee, id, 'Mine')).rejects.toMatchObject({ status: 403 });
    await expect(removeComment(s.lead, id)).rejects.toMatchObject({ status: 403 });
    await editComment(s.instructor, id, ' First ');
    expect((await commentsSeen(s.trainee, attemptId))[0]).toMatchObject({ words: 'First', edited: true });
    await expect(editComment(s.instructor, id, '  ')).rejects.toMatchObject({ field: 'words' });
    await removeComment(s.instructor, id);
    expect(await commentsSeen(s.trainee, attemptId)).toEqual([]);
  });

  it('are unread until they are read, by each side; what was changed is unread again', async () => {
    const id = await say(s.instructor, 'Look here');
    expect(await unreadMine(s.trainee)).toMatchObject([{ id, words: 'Look here', attemptId, t: 1.5 }]);
    expect(await unreadInGroup(s.instructor, s.group.id)).toEqual([]);
    await commentsRead(s.trainee, attemptId);
    await commentsRead(s.trainee, attemptId);
    expect(await unreadMine(s.trainee)).toEqual([]);
    await editComment(s.instructor, id, 'Look there');
    expect(words(await unreadMine(s.trainee))).toEqual(['Look there']);
    await say(s.trainee, 'Where?', id);
    expect(await unreadInGroup(s.instructor, s.group.id)).toMatchObject([{ words: 'Where?', learner: s.trainee.who.name }]);
    await commentsRead(s.instructor, attemptId);
    expect(await unreadInGroup(s.instructor, s.group.id)).toEqual([]);
  });

  it('are understood when the learner says so, and not any more when they say that', async () => {
    const id = await say(s.instructor, 'Slower');
    await expect(markUnderstood(s.instructor, id, true)).rejects.toMatchObject({ status: 403 });
    await markUnderstood(s.trainee, id, true);
    expect((await commentsSeen(s.instructor, attemptId))[0]?.understood).toBe(true);
    await markUnderstood(s.trainee, id, false);
    expect((await commentsSeen(s.instructor, attemptId))[0]?.understood).toBe(false);
  });

  it('of an attempt are two hundred at most', async () => {
    const row = { attempt_id: attemptId, author_id: s.instructor.who.id, t: 0, words: 'x', made_at: service.now() };
    await service.db('comments').insert(Array.from({ length: 200 }, (_, i) => ({ id: `full-${attemptId.slice(0, 20)}-${i}`, ...row })));
    await expect(say(s.instructor, 'One more')).rejects.toMatchObject({ status: 409 });
  });
});

describe('what an instructor decides', () => {
  it('leaves one attempt out with a reason, and counts it again; a correction of the exercise does not bring it back', async () => {
    await expect(leaveOut(s.instructor, attemptId, ' ')).rejects.toMatchObject({ field: 'why' });
    await leaveOut(s.instructor, attemptId, 'The mouse was broken');
    expect((await progressOf(s.trainee, s.trainee.who.id)).standings[0]?.attempts).toBe(0);
    expect((await reviewSeen(s.trainee, attemptId)).verdict.leftOut).toMatchObject({ why: 'The mouse was broken', by: s.instructor.who.name });
    await setCounting(service.db, { groupId: s.group.id, exerciseId, version: 1 }, true);
    expect((await progressOf(s.trainee, s.trainee.who.id)).standings[0]?.attempts).toBe(0);
    await leaveOut(s.instructor, attemptId, null);
    expect((await progressOf(s.trainee, s.trainee.who.id)).standings[0]?.attempts).toBe(1);
  });

  it('sets a score with a reason, and takes it back: the card stays as it was computed', async () => {
    const { card } = await reviewSeen(s.trainee, attemptId);
    await setScore(s.instructor, attemptId, { score: 83, why: 'Right by another way' });
    const [line] = (await progressOf(s.trainee, s.trainee.who.id)).attempts;
    expect(line).toMatchObject({ score: 83, flashes: 2 });
    const seen = await reviewSeen(s.trainee, attemptId);
    expect(seen.card.score).toBe(card.score);
    expect(seen.verdict.set).toMatchObject({ score: 83, why: 'Right by another way', by: s.instructor.who.name });
    expect((await checkData(service.db)).faults.filter((fault) => fault.includes(attemptId))).toEqual([]);
    await setScore(s.instructor, attemptId, null);
    expect((await progressOf(s.trainee, s.trainee.who.id)).attempts[0]).toMatchObject({ score: card.score, flashes: card.flashes });
  });

  it('is nothing to the learner to decide', async () => {
    await expect(leaveOut(s.trainee, attemptId, 'please')).rejects.toMatchObject({ status: 404 });
    await expect(setScore(s.trainee, attemptId, { score: 100, why: 'please' })).rejects.toMatchObject({ status: 404 });
  });
});

describe('what a review is given', () => {
  it('knows one’s own attempts at the version, and for those who teach the best of the class', async () => {
    const later = await handInFor(s.trainee, exerciseId, 1.2);
    const beside = strangers[0] as RequestContext;
    const best = await handInFor(beside, exerciseId, 2.5);
    const mine = await reviewSeen(s.trainee, attemptId);
    expect(mine.own.map(({ id }) => id)).toEqual([attemptId, later]);
    expect(mine.best).toBeNull();
    const seen = await reviewSeen(s.instructor, attemptId);
    expect(seen.best?.id).toBe(best);
    expect(seen.known).toBe(true);
    // An attempt that does not count is no model for others.
    await leaveOut(s.instructor, best, 'by another');
    expect((await reviewSeen(s.instructor, attemptId)).best?.id).toBe(later);
  });

  it('holds nothing of a hidden target for the trainee', async () => {
    const hidden = await published({ showTarget: false });
    const id = await handInFor(s.trainee, hidden);
    const seen = await reviewSeen(s.trainee, id);
    const teacher = await reviewSeen(s.instructor, id);
    expect(seen.known).toBe(false);
    const goal = teacher.exercise.steps[0]?.goal;
    const target = JSON.stringify(goal && 'target' in goal && goal.target?.view.orientation);
    expect(target).toContain('[');
    expect(JSON.stringify(teacher.exercise)).toContain(target);
    expect(JSON.stringify({ ...seen, attempt: null })).not.toContain(target);
  });
});
