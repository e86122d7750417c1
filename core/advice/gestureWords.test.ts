import { describe, expect, it } from 'vitest';
import { BUILT_IN_SCHEMES, type Gesture, resolve, type Scheme, SIX_AXIS_PUCK, type SixAxes, THREE_BUTTON_MOUSE, TOUCHPAD, USUAL_PUCK } from '../input';
import { exact } from '../math';
import { contextFor } from '../model';
import { apply, type Command, type Scene } from '../navigation';
import { crate, start } from '../tests/practice';
import { anglesOf, FRAME_ASPECT, project, wrapAngle } from '../view';
import * as words from './gestureWords';

const practiceContext = contextFor(crate, start);

/** Follows words as a person would who knows nothing but them: small, in the gestures that they name. */
const SIZE = 0.02;
const WAYS = { left: [-SIZE, 0], right: [SIZE, 0], up: [0, SIZE], down: [0, -SIZE] } as const;
const NONE = { u: 0, v: 0 };

function modifiersIn(text: string): ('shift' | 'ctrl' | 'alt')[] {
  return (['shift', 'ctrl', 'alt'] as const).filter((m) => text.includes(`${m[0]?.toUpperCase()}${m.slice(1)}+`));
}

function strokeOf(text: string): SixAxes | null {
  const STROKES: readonly [RegExp, number, number][] = [
    [/slide the puck right/, 0, 1],
    [/slide the puck left/, 0, -1],
    [/push the puck away/, 1, 1],
    [/pull the puck towards you/, 1, -1],
    [/lift the puck/, 2, 1],
    [/press the puck down/, 2, -1],
    // Right-hand turns about the axes to the right, away and up.
    [/tilt the puck towards you/, 3, 1],
    [/tilt the puck away/, 3, -1],
    [/lean the puck right/, 4, 1],
    [/lean the puck left/, 4, -1],
    [/twist the puck anticlockwise/, 5, 1],
    [/twist the puck clockwise/, 5, -1],
  ];
  const axes = [0, 0, 0, 0, 0, 0];
  for (const [said, axis, way] of STROKES) if (said.test(text)) axes[axis] = way * 0.5;
  return axes.some((a) => a !== 0) ? (axes as unknown as SixAxes) : null;
}

/** The gesture that words tell. */
function gestureOf(scheme: Scheme, text: string): Gesture {
  const modifiers = modifiersIn(text);
  const axes = strokeOf(text);
  if (axes) return { kind: 'axes', axes, dt: 0.1 };
  const key = /^press (?:\w+\+)*(.+)$/.exec(text);
  if (key) {
    const CODES: Record<string, string> = { comma: 'Comma', 'full stop': 'Period', '=': 'Equal', '-': 'Minus' };
    const name = key[1] ?? '';
    const arrow = /^(left|right|up|down) arrow$/.exec(name)?.[1];
    return { kind: 'key', code: arrow ? `Arrow${arrow[0]?.toUpperCase()}${arrow.slice(1)}` : (CODES[name] ?? name), modifiers, at: null };
  }
  const wheel = /turn the wheel (forward|back)/.exec(text);
  if (wheel) return { kind: 'wheel', modifiers, notches: wheel[1] === 'forward' ? 1 : -1, at: NONE };
  const spread = /spread two fingers/.test(text) ? 1.05 : /bring two fingers together/.test(text) ? 1 / 1.05 : null;
  const turned = /turn two fingers (anti)?clockwise/.exec(text);
  const [du, dv] = Object.entries(WAYS).reduce<[number, number]>(
    (sum, [way, [a, b]]) => (new RegExp(`\\b${way}\\b`).test(text.replace(/(left|right)-drag/, 'drag')) ? [sum[0] + a, sum[1] + b] : sum),
    [0, 0],
  );
  const to = { u: du, v: dv };
  if (scheme.device === 'touchpad' && spread) return { kind: 'pinch', factor: spread, at: NONE };
  if (/slide two fingers/.test(text)) return { kind: 'scroll', modifiers, du, dv, at: NONE };
  const fingers = /one finger/.test(text) ? 1 : /two fingers/.test(text) ? 2 : /three fingers/.test(text) ? 3 : null;
  if (fingers) return { kind: 'touch', fingers, from: NONE, last: NONE, to, spread: spread ?? 1, twist: turned ? (turned[1] ? 0.1 : -0.1) : 0, done: false };
  const button = /right-drag|barrel button/.test(text) ? 'right' : /middle-drag/.test(text) ? 'middle' : 'left';
  expect(text).toMatch(/drag/);
  return { kind: 'drag', button, modifiers, from: NONE, last: NONE, to, done: false };
}

/** The scene after the words were followed. */
function after(scheme: Scheme, text: string, from: Scene): Scene {
  const commands: Command[] = resolve(scheme, gestureOf(scheme, text), from, null);
  expect(commands.length, `"${text}" does something in ${scheme.name}`).toBeGreaterThan(0);
  return commands.reduce((scene, command) => apply(scene, command, practiceContext), from);
}

const turned = (scheme: Scheme, change: Partial<Scheme['bindings'][number]>): Scheme => ({
  ...scheme,
  bindings: scheme.bindings.map((b) => (b.command.kind === 'move' && b.trigger.kind !== 'touch' && b.trigger.kind !== 'pinch' ? { ...b, ...change } : b)),
});
const puck = (name: string, change: Partial<typeof USUAL_PUCK> | { moves: 'camera' }): Scheme => ({
  ...SIX_AXIS_PUCK,
  name,
  options: { ...SIX_AXIS_PUCK.options, puck: { ...USUAL_PUCK, ...change } },
});
const SCHEMES: readonly Scheme[] = [
  ...BUILT_IN_SCHEMES,
  puck('a puck that moves the camera', { moves: 'camera' }),
  puck('a puck with every axis turned about', { gains: [-1, -1, -1, -1, -1, -1] }),
  { ...turned(THREE_BUTTON_MOUSE, { invert: true }), name: 'a mouse the other way' },
  { ...turned(THREE_BUTTON_MOUSE, { invert: 'upDown' }), name: 'a mouse with up and down the other way' },
  { ...turned(TOUCHPAD, { invert: 'across' }), name: 'a touchpad the other way across' },
];

describe.each(SCHEMES.map((scheme) => ({ name: scheme.name, scheme })))('words followed in $name', ({ scheme }) => {
  const point = crate.home.target;
  const seen = (scene: Scene) => project(scene.view, point, FRAME_ASPECT);
  const begin: Scene = { ...start, view: { ...start.view, target: [start.view.target[0] + 0.1, start.view.target[1], start.view.target[2]] } };
  const said = (text: string | null): string => {
    expect(text, scheme.name).not.toBeNull();
    return text as string;
  };

  it('go round and over the way that is said', () => {
    const from = anglesOf(begin.view.orientation);
    for (const [way, sign] of [
      ['right', 1],
      ['left', -1],
    ] as const) {
      const to = anglesOf(after(scheme, said(words.roundHand(scheme, way)), begin).view.orientation);
      expect(Math.sign(wrapAngle(to.azimuth - from.azimuth)), way).toBe(sign);
    }
    for (const [way, sign] of [
      ['up', 1],
      ['down', -1],
    ] as const) {
      const to = anglesOf(after(scheme, said(words.heightHand(scheme, way)), begin).view.orientation);
      expect(Math.sign(to.elevation - from.elevation), way).toBe(sign);
    }
  });

  it('make larger and smaller, and slide the model, the way that is said', () => {
    const size = (scene: Scene): number => 1 / scene.view.distance;
    expect(size(after(scheme, said(words.sizeHand(scheme, true)), begin))).toBeGreaterThan(size(begin));
    expect(size(after(scheme, said(words.sizeHand(scheme, false)), begin))).toBeLessThan(size(begin));
    for (const [right, up] of [
      [1, 0],
      [-1, 0],
      [0, 1],
      [0, -1],
      [1, 0.8],
      [-1, -0.8],
    ] as const) {
      const to = seen(after(scheme, said(words.slideHand(scheme, right, up)), begin));
      const moved = [to.u - seen(begin).u, to.v - seen(begin).v] as const;
      // Keys name the larger way alone.
      if (Math.abs(right) === 1) expect(Math.sign(moved[0]) || 0, `${right} ${up}`).toBe(right);
      else expect(Math.sign(moved[1]), `${right} ${up}`).toBe(up);
    }
  });

  it('roll the way that is said', () => {
    const right = (scene: Scene): number => anglesOf(scene.view.orientation).roll;
    const one = right(after(scheme, said(words.rollHand(scheme, true)), begin));
    const other = right(after(scheme, said(words.rollHand(scheme, false)), begin));
    const asked = (angle: number): number => right(apply(begin, { kind: 'roll', angle }, practiceContext));
    expect([Math.sign(one), Math.sign(other)]).toEqual([Math.sign(asked(0.1)), Math.sign(asked(-0.1))]);
    expect(exact.sin(one) * exact.sin(other)).toBeLessThan(0);
  });
});

it('what has no key is chosen from the near hand; without either nothing is said', () => {
  const [touch, pen] = ['touch-screen', 'pen'].map((id) => BUILT_IN_SCHEMES.find((s) => s.id === id) as Scheme) as [Scheme, Scheme];
  expect(words.fitHand(touch)).toBe('press long and choose "Fit all"');
  expect(words.flipHand(touch)).toBeNull();
  expect(words.roundHand(touch, 'right')).toBe('with one finger drag left');
  expect(words.roundHand(pen, 'right')).toBe('with the tip drag left');
  expect(words.slideHand(pen, 0, 1)).toBe('with the barrel button drag up');
  expect(words.standHand(THREE_BUTTON_MOUSE)).toBe('press Y');
});
