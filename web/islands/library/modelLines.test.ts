import { expect, it } from 'vitest';
import { ALL_MODELS, type ModelLine, modelsWanted } from './modelLines';

const model = (name: string, change: Partial<ModelLine> = {}): ModelLine => ({
  id: name,
  name,
  mine: true,
  shared: false,
  away: false,
  revision: 1,
  size: [1, 1, 1],
  triangles: 10,
  parts: 1,
  ...change,
});
const models = [
  model('Tower 10', { size: [1, 1, 40] }),
  model('Lantern buoy', { mine: false, triangles: 900 }),
  model('Tower 9', { size: [50, 2, 2], triangles: 30 }),
];
const names = (change: Partial<typeof ALL_MODELS>): string[] => modelsWanted(models, { ...ALL_MODELS, ...change }).map(({ name }) => name);

it('models are found by every word of their name, and by whose they are', () => {
  expect(names({ words: ' BUOY lant ' })).toEqual(['Lantern buoy']);
  expect(names({ words: 'tower buoy' })).toEqual([]);
  expect(names({ whose: 'others' })).toEqual(['Lantern buoy']);
  expect(names({ whose: 'mine', words: '9' })).toEqual(['Tower 9']);
});

it('they stand by name as people count, by their longest side, or by triangles', () => {
  expect(names({})).toEqual(['Lantern buoy', 'Tower 9', 'Tower 10']);
  expect(names({ order: 'size' })).toEqual(['Tower 9', 'Tower 10', 'Lantern buoy']);
  expect(names({ order: 'triangles' })).toEqual(['Lantern buoy', 'Tower 9', 'Tower 10']);
});
