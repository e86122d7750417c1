import { CoursesPart } from '@web/islands/group/CoursesPart';
import type { AssignmentLine, Learner } from '@web/islands/group/learner';
import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { CourseList } from './CourseList';
import { CourseScreen } from './CourseScreen';

const text = (markup: string): string =>
  markup
    .replace(/<[^>]+>/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();

describe('the list of courses', () => {
  const course = { id: 'a', name: 'First', units: 1, exercises: 2, groups: 0, mine: true, shared: false, archived: false };
  it.each([
    [course, 'First 1 unit, 2 exercises, given to nobody yet Copy First Put away First'],
    [
      { ...course, units: 2, exercises: 1, groups: 1, shared: true },
      'First shared with others 2 units, 1 exercise, given to 1 group Copy First Put away First',
    ],
    [{ ...course, mine: false, shared: true, groups: 3 }, 'First shared 1 unit, 2 exercises, given to 3 groups Copy First'],
    [{ ...course, archived: true }, 'First 1 unit, 2 exercises, given to nobody yet Copy First Bring back First'],
  ])('says what each holds, who has it, and what may be done: %#', (line, words) => {
    expect(text(renderToStaticMarkup(<CourseList courses={[line]} />))).toBe(words);
  });
});

describe('a course that was shared', () => {
  const unit = (id: string, name: string, exerciseIds: string[], opensAfter: string | null = null) => ({
    id,
    name,
    about: `About ${name}`,
    opensAfter,
    exerciseIds,
  });
  const props = {
    id: 'a',
    saved: { name: 'First', about: 'For those who begin', threshold: 80, units: [unit('1', 'Round', ['x', 'y']), unit('2', 'Near', ['z'], '1')] },
    revision: 3,
    shared: true,
    exercises: [
      { id: 'x', title: 'Round to the ladder', version: 2 },
      { id: 'z', title: 'Make room', version: 0 },
    ],
    having: [],
    groups: [{ id: 'g', name: 'Spring watch' }],
    today: '2031-04-03',
  };
  it('is read and given, not changed', () => {
    const markup = renderToStaticMarkup(<CourseScreen {...props} mine={false} />);
    expect(text(markup)).toContain('For those who begin');
    expect(text(markup)).toContain('1 Round');
    expect(text(markup)).toContain('Round to the ladder An exercise that is not shared with you');
    expect(text(markup)).toContain('Make room not published yet');
    expect(text(markup)).toContain('opens after “Round”');
    expect(text(markup)).toContain('Give it to a group');
    for (const word of ['Save', 'Add a unit', 'Add exercises', 'Move unit', 'Take ']) expect(markup).not.toContain(word);
  });
  it('is not given again to a group that has it', () => {
    expect(text(renderToStaticMarkup(<CourseScreen {...props} mine={false} having={props.groups} />))).not.toContain('Give it to a group');
  });
});

describe('what a group practises', () => {
  const standing = (exerciseId: string, flashes: number, attempts = 1) => ({
    exerciseId,
    title: exerciseId,
    attempts,
    best: attempts > 0 ? 60 + 10 * flashes : null,
    bestId: attempts > 0 ? 'attempt' : null,
    flashes,
    stuck: attempts > 3,
  });
  const learner = (name: string, standings: Learner['standings']): Learner => ({
    id: name,
    name,
    skills: [],
    standings,
    latest: [],
    lastAt: null,
    concerns: [],
  });
  const learners = [
    learner('Ada', [standing('a', 3), standing('b', 1), standing('c', 0, 0)]),
    learner('Mary', [standing('a', 1), standing('b', 0, 4), standing('c', 2)]),
  ];
  const assignments: AssignmentLine[] = ['a', 'b', 'c'].map((id) => ({
    exerciseId: id,
    title: `Exercise ${id}`,
    version: 1,
    newest: id === 'b' ? 2 : 1,
    alone: id === 'c',
  }));
  const unit = { id: 'u', name: 'Round', exerciseIds: ['a', 'b'], dueOn: '2031-04-07', set: false };
  const course = {
    courseId: 'first',
    name: 'First',
    startsOn: '2031-04-01',
    pace: 7,
    units: [unit, { ...unit, id: 'v', name: 'Empty', exerciseIds: [], dueOn: null }],
  };
  const shown = (today: string, days = ''): string =>
    text(
      renderToStaticMarkup(
        <CoursesPart
          group={{ id: 'g', name: 'Spring watch' }}
          learners={learners}
          assignments={assignments}
          courses={[course]}
          givable={[]}
          today={today}
          days={days}
        />,
      ),
    );
  it('stands unit by unit, with how many are through it; who is stuck; and what stands beside the courses', () => {
    const words = shown('2031-04-03');
    expect(words).toContain('First since 1 Apr');
    // Ada has a flash in both, Mary in one of them.
    expect(words).toContain('1 Round due 7 Apr 1 of 2 done');
    expect(words).toContain('2 Empty 0 of 2 done');
    expect(words).toContain('Exercise b 2 of 2 tried, mean best 65 1 stuck Version 2 is there');
    expect(words).toContain('Beside the courses Exercise c 1 of 2 tried, mean best 80');
  });
  it('says when it has not begun', () => {
    expect(shown('2031-03-30')).toContain('First begins on 1 Apr');
  });
  it('says whose days are counted, where not all are', () => {
    expect(shown('2031-04-03', 'from 1 April 2031')).toContain('Counted are attempts from 1 April 2031.');
    expect(shown('2031-04-03')).not.toContain('Counted');
  });
});
