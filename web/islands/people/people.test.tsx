import { Notices } from '@web/islands/kept/Notices';
import { LossList } from '@web/ui/LossList';
import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { AboutLearner } from './AboutLearner';
import { PeopleScreen } from './PeopleScreen';
import type { PersonLine } from './person';

const text = (markup: string): string =>
  markup
    .replace(/<[^>]+>/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();
const labels = (markup: string): string[] => [...markup.matchAll(/aria-label="([^"]*)"/g)].map((m) => m[1] as string);

const person = (name: string, change: Partial<PersonLine> = {}): PersonLine => ({
  id: name,
  name,
  signIn: name.toLowerCase().replace(' ', '.'),
  role: 'trainee',
  deactivated: false,
  groups: [{ id: 'watch', name: 'Spring watch' }],
  lastAt: null,
  ...change,
});

describe('the people of a station', () => {
  const people = [
    person('Ada Byron', { lastAt: '2031-04-01T12:00:00Z' }),
    person('Mary Ross', { role: 'instructor', groups: [] }),
    person('Wim Tessel', { deactivated: true }),
  ];
  const markup = renderToStaticMarkup(<PeopleScreen people={people} groups={[]} me="Mary Ross" now="2031-04-03T12:00:00Z" />);

  it('stand by name with what they are, where, and when they were last seen', () => {
    const rows = [...markup.matchAll(/<tr aria-rowindex[^>]*>(.*?)<\/tr>/g)].map((row) => text(row[1] as string));
    expect(rows).toEqual([
      'Ada Byron ada.byron trainee Spring watch 2 days ago',
      'Mary Ross mary.ross instructor none ·',
      'Wim Tessel wim.tessel trainee deactivated Spring watch ·',
    ]);
    expect(markup).toContain('aria-rowcount="4"');
  });

  it('are chosen one by one, each by name, and nothing is offered before', () => {
    expect(labels(markup).filter((label) => label.startsWith('Choose'))).toEqual(['Choose Ada Byron', 'Choose Mary Ross', 'Choose Wim Tessel']);
    expect(markup).not.toContain('data-testid="chosen"');
  });

  it('are few of the many that there are: only those in sight are drawn', () => {
    const many = Array.from({ length: 2000 }, (_, i) => person(`Person ${String(i).padStart(4, '0')}`));
    const drawn = renderToStaticMarkup(<PeopleScreen people={many} groups={[]} me="" now="2031-04-03T12:00:00Z" />);
    expect(drawn).toContain('aria-rowcount="2001"');
    const rows = [...drawn.matchAll(/aria-rowindex/g)].length;
    expect(rows).toBeGreaterThan(8);
    expect(rows).toBeLessThan(60);
  });
});

describe('what one is told', () => {
  it('by the program is read, by a person is answered too', () => {
    const markup = renderToStaticMarkup(
      <Notices
        notices={[
          { id: '1', words: '“Round” was corrected: practise it again.', from: null },
          { id: '2', words: 'Friday\nat ten?', from: 'Maren Holt' },
        ]}
      />,
    );
    expect(text(markup)).toBe('“Round” was corrected: practise it again. Maren Holt writes Friday at ten? Send');
    expect(labels(markup)).toEqual(['News', 'I have read this', 'Answer Maren Holt', 'I have read this']);
    expect(renderToStaticMarkup(<Notices notices={[]} />)).toBe('');
  });
});

describe('what those who teach know of a learner', () => {
  const ada = { id: 'ada', name: 'Ada' };
  const notes = [
    { id: '1', author: 'Maren Holt', words: 'Left-handed', mine: true, at: '1 Apr' },
    { id: '2', author: 'Edda Quist', words: 'Asks for a pen', mine: false, at: '2 Apr' },
  ];
  it('only one’s own notes can be taken away', () => {
    const markup = renderToStaticMarkup(
      <AboutLearner learner={ada} notes={notes} extra={null} given={[{ exerciseId: 'round', title: 'Once round', due: '4 May 2031' }]} />,
    );
    expect(text(markup)).toContain('1 Apr Left-handed Maren Holt Remove : Left-handed 2 Apr Asks for a pen Edda Quist');
    expect([...markup.matchAll(/>Remove</g)]).toHaveLength(1);
    expect(text(markup)).toContain('Due dates are those of the group. Give more time');
    expect(text(markup)).toContain('Given by name: Once round , due on 4 May 2031 Take it back : Once round Give an exercise');
  });
  it.each([
    [{ days: 1, why: 'ill', by: 'Maren Holt' }, 'Everything is due a day later : ill (Maren Holt) Change'],
    [{ days: 4, why: 'ill', by: null }, 'Everything is due 4 days later : ill Change'],
  ])('more time is said with its reason: %j', (extra, words) => {
    expect(text(renderToStaticMarkup(<AboutLearner learner={ada} notes={[]} extra={extra} given={[]} />))).toContain(words);
  });
});

it('what was lost is named as it is everywhere, also what this version does not know', () => {
  const markup = renderToStaticMarkup(
    <LossList
      losses={[
        { criterion: 'direction', share: 0.754 },
        { criterion: 'of another time', share: 0.246 },
      ]}
    />,
  );
  expect(text(markup)).toBe('Direction 75 % of another time 25 %');
  expect(markup).toContain('width:75.4%');
});
