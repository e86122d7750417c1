import { expect, it } from 'vitest';
import { defaultHome } from '../model';
import { initialScene } from '../navigation';
import { boxes } from '../tests/meshes';
import { FRAME_ASPECT, fit, type StandardName, standardOrientation } from '../view';
import { SEEN_PIXEL, type SeenPlace, seenPicture } from './seenPicture';

const mesh = boxes([
  { id: 'box', min: [-1, -1, -1], max: [1, 1, 1] },
  { id: 'post', min: [-0.1, -1.4, -1.6], max: [0.1, -1.2, 1.6] },
]);
const WIDTH = 160;
const HEIGHT = 100;

/** An even grid of places on the front and on the top of the box: of the front the left half was seen, of the top nothing can be. */
const places: SeenPlace[] = [];
for (let x = -0.95; x < 1; x += 0.1) {
  for (let k = -0.95; k < 1; k += 0.1) {
    places.push({ at: [x, -1, k], to: [0, -1, 0], seen: x < 0 });
    places.push({ at: [x, k, 1], to: [0, 0, 1], seen: null });
  }
}

function counts(side: StandardName): { readonly [K in keyof typeof SEEN_PIXEL]: number } {
  const points = [-1, 1].flatMap((x) => [-1, 1].flatMap((y) => [-1, 1].map((z): [number, number, number] => [x, y, z])));
  const view = fit({ ...defaultHome(mesh), projection: 'orthographic', orientation: standardOrientation(side) }, points, FRAME_ASPECT, 0);
  const picture = seenPicture(mesh, ['box'], places, initialScene(view), WIDTH, HEIGHT);
  const of = (what: number): number => picture.filter((pixel) => pixel === what).length;
  return { nothing: of(SEEN_PIXEL.nothing), seen: of(SEEN_PIXEL.seen), unseen: of(SEEN_PIXEL.unseen), leftOut: of(SEEN_PIXEL.leftOut) };
}

it('half of the front was seen; the post before it is not of the subject', () => {
  // The box fills the height: 100 by 100 pixels, ten columns of them behind the post.
  expect(counts('front')).toEqual({ nothing: WIDTH * HEIGHT - 9000, seen: 4500, unseen: 4500, leftOut: 0 });
});

it('what no view from outside shows is told apart, and the places of another side do not speak for it', () => {
  expect(counts('top').leftOut).toBeGreaterThan(9000);
  expect(counts('top').seen + counts('top').unseen).toBe(0);
  expect(counts('rear')).toEqual({ nothing: WIDTH * HEIGHT, seen: 0, unseen: 0, leftOut: 0 });
});
