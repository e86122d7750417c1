import { actionWords, BUILT_IN_SCHEMES } from '@core/input';
import { describe, expect, it } from 'vitest';
import { rank } from './Finder';
import { pagesFor } from './pages';
import { synonymsOf } from './synonyms';

describe('finding', () => {
  it.each([
    ['Fit all F', 'fit', 1],
    ['Fit all F', 'all fi', 1],
    ['Fit all F', 'show every', 0.5],
    ['Fit all F', 'it', 0],
    ['Cut along the face X', 'slice', 0.5],
    ['Cut along the face X', 'slice orbit', 0],
    ['Élan vital', 'élan', 1],
  ])('%s by “%s”: %d', (line, search, wanted) => {
    expect(rank(line, search, [synonymsOf(line)])).toBe(wanted);
  });

  it.each([
    ['rotate', 'Orbit'],
    ['previous', 'Back a view'],
    ['transparent', 'Make what is picked glass'],
    ['select', 'Pick a part'],
    ['ruler', 'Measure'],
    ['axonometric', 'Isometric, front right top'],
  ])('“%s” is what some call %s', (search, line) => {
    expect(rank(line, search, [synonymsOf(line)])).toBeGreaterThan(0);
  });

  it('almost all that a scheme does has another word for it', () => {
    const words = [...new Set(BUILT_IN_SCHEMES.flatMap(({ bindings }) => bindings.map(actionWords)))];
    expect(words.filter((each) => synonymsOf(each) === '').length).toBeLessThan(words.length / 4);
  });

  it('pages are those of the role', () => {
    const names = (role: 'trainee' | 'instructor' | 'lead'): string[] => pagesFor(role).map(({ name }) => name);
    expect(names('trainee')).toEqual(['Today', 'My progress', 'Schemes', 'My account']);
    expect(names('instructor')).not.toContain('People');
    expect(names('lead')).toContain('Who changed what');
  });
});
