import { expect, it } from 'vitest';
import { initialScene } from '../navigation';
import { orientationFrom, type View } from '../view';
import { drawPicture } from './drawPicture';
import type { Mesh } from './mesh';

/** A square a metre wide that stands upright across the way from the front. */
const square = (colour?: [number, number, number, number]): Mesh => ({
  positions: new Float32Array([-0.5, 0, -0.5, 0.5, 0, -0.5, 0.5, 0, 0.5, -0.5, 0, 0.5]),
  indices: new Uint32Array([0, 1, 2, 0, 2, 3]),
  parts: [{ id: 'plate', name: 'plate', start: 0, count: 6, parent: null, colour }],
});
/** Two metres before the middle, the frame two metres high. */
const view = (change: Partial<View> = {}): View => ({
  target: [0, 0, 0],
  orientation: orientationFrom({ azimuth: 0, elevation: 0, roll: 0 }),
  distance: 2,
  fovY: 2 * Math.atan(0.5),
  projection: 'perspective',
  ...change,
});
const pixel = (picture: Uint8ClampedArray, width: number, x: number, y: number): number[] => [
  ...picture.subarray((y * width + x) * 4, (y * width + x) * 4 + 4),
];

it.each(['perspective', 'orthographic'] as const)('what is there is drawn in its colour, the rest is clear (%s)', (projection) => {
  const picture = drawPicture(square([1, 0.5, 0, 1]), initialScene(view({ projection })), 80, 40);
  const [red, green, blue, opacity] = pixel(picture, 80, 40, 20) as [number, number, number, number];
  expect(opacity).toBe(255);
  // Lit from over the shoulder, all of it by the same share: the parts of the colour keep their proportion.
  expect(green / red).toBeCloseTo(0.5, 1);
  expect(blue).toBe(0);
  expect(pixel(picture, 80, 2, 2)).toEqual([0, 0, 0, 0]);
  // It is half as high as the frame: rows 10 to 29, between strokes of ink.
  expect(pixel(picture, 80, 40, 12)[3]).toBe(255);
  expect(pixel(picture, 80, 40, 7)[3]).toBe(0);
});

it('a face that is turned away from the light is darker', () => {
  const brightness = (azimuth: number): number => {
    const at = view({ orientation: orientationFrom({ azimuth, elevation: 0, roll: 0 }) });
    return pixel(drawPicture(square(), initialScene(at), 80, 40), 80, 40, 20)[0] as number;
  };
  // Seen from its right its face points to the left, where the light comes from.
  expect(brightness(0.9)).toBeGreaterThan(brightness(-0.9));
});

it('nothing but what is shown is drawn; without a model all is clear', () => {
  const hidden = { ...initialScene(view()), visibility: { plate: 'hidden' as const } };
  expect(drawPicture(square(), hidden, 16, 10).every((byte) => byte === 0)).toBe(true);
  const nothing: Mesh = { positions: new Float32Array(), indices: new Uint32Array(), parts: [] };
  expect(drawPicture(nothing, initialScene(view()), 16, 10).every((byte) => byte === 0)).toBe(true);
});
