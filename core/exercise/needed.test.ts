import { expect, it } from 'vitest';
import { actionWords, BUILT_IN_SCHEMES, KEYBOARD_ALONE, TWO_BUTTON_MOUSE, triggerWords } from '../input';
import { NEEDED_LINES, neededFor } from './needed';
import { SKILL_IDS } from './skills';

it('the card of an exercise begins with what its skill is practised with', () => {
  expect(neededFor(TWO_BUTTON_MOUSE, ['zoom']).map((binding) => `${triggerWords(binding)}: ${actionWords(binding)}`)).toMatchInlineSnapshot(`
    [
      "wheel: Zoom",
      "=: Closer",
      "Shift + left drag: Zoom into a rectangle; drawn leftwards, out of it",
      "B: Go half the way to the point",
      "left drag: Orbit",
      "right drag: Pan: slide the view",
      "-: Farther",
      "Shift + =: A little closer",
      "Shift + -: A little farther",
    ]
  `);
  expect(neededFor(KEYBOARD_ALONE, ['standardViews']).map(actionWords)).toMatchInlineSnapshot(`
    [
      "Look from the front",
      "The opposite of this",
      "Nearest standard view",
      "Level: no roll",
      "Fit all",
      "Home",
      "Look from the right",
      "Level, verticals upright",
      "Look from the rear",
      "Look from the left",
    ]
  `);
});

it.each(BUILT_IN_SCHEMES.flatMap((scheme) => SKILL_IDS.map((skill) => [scheme.id, skill, scheme] as const)))(
  '%s has six to ten lines for %s, each once',
  (_, skill, scheme) => {
    const lines = neededFor(scheme, [skill]);
    expect(lines.length).toBeGreaterThanOrEqual(Math.min(NEEDED_LINES.least, new Set(scheme.bindings.map(actionWords)).size));
    expect(lines.length).toBeLessThanOrEqual(NEEDED_LINES.most);
    expect(new Set(lines.map((binding) => JSON.stringify(binding.command))).size).toBe(lines.length);
  },
);

it('of many skills each has its first line before any has its second', () => {
  const words = neededFor(TWO_BUTTON_MOUSE, ['orbit', 'section', 'measuring']).map(actionWords);
  expect(words.slice(0, 7)).toEqual([
    'Orbit',
    'Go round to the left by 15°',
    'Roll',
    'Level: no roll',
    'Cut along the face',
    'Move the cut in',
    'Flip the cut',
  ]);
});
