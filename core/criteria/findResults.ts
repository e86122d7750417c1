import { drawIds, type Mesh, type Placed, type PlacedItem, partsUnder, placedPart, withPlaced } from '../geometry';
import type { Scene } from '../navigation';
import { pausedBetween } from '../trace/clock';
import { FRAME_ASPECT } from '../view';
import { type Evidence, madeAt } from './evidence';

/** Something to be found: a part of the model, or an object placed in it. */
export type Sought =
  | { readonly id: string; readonly name: string; readonly of: 'part'; readonly part: string }
  | { readonly id: string; readonly name: string; readonly of: 'object'; readonly object: Placed };

/** The picture that a pick is looked up in, pixels. */
export const PICKED = { width: 640, height: 400 } as const;
/** Picks beyond these are not looked at any more: they are wrong. */
const MOST_PICKS = 100;

/** The sought objects that are no parts of the model. */
export const placedOf = (items: readonly { readonly id: string; readonly name: string; readonly object?: Placed | undefined }[]): PlacedItem[] =>
  items.flatMap(({ id, name, object }) => (object ? [{ id, name, object }] : []));

/** A mesh with what is sought placed in it. */
export const withItems = (mesh: Mesh, items: readonly Sought[]): Mesh => withPlaced(mesh, placedOf(items));

/** Numbers of the parts that each sought thing is made of, in a mesh that has them all. */
export const partsSought = (mesh: Mesh, items: readonly Sought[]): ReadonlySet<number>[] =>
  items.map((item) => partsUnder(mesh, [item.of === 'part' ? item.part : placedPart(item.id)]));

/** Numbers of the pixels at a place of the frame and at its 8 neighbours, the place itself first; `u`, `v` in frame heights from the middle. */
export function pixelsAt(u: number, v: number): number[] {
  const { width, height } = PICKED;
  const x = Math.floor((u / FRAME_ASPECT + 0.5) * width);
  const y = Math.floor((0.5 - v) * height);
  return AROUND.flatMap(([dx, dy]) => {
    const [at, row] = [x + dx, y + dy];
    return at >= 0 && at < width && row >= 0 && row < height ? [row * width + at] : [];
  });
}

/** A pixel and its neighbours. */
const AROUND = [
  [0, 0],
  [-1, 0],
  [1, 0],
  [0, -1],
  [0, 1],
  [-1, -1],
  [1, -1],
  [-1, 1],
  [1, 1],
] as const;

/** Part numbers at a place of the frame and at its 8 neighbours. */
export const partsAt = (ids: Uint16Array, u: number, v: number): number[] =>
  pixelsAt(u, v).flatMap((pixel) => ((ids[pixel] as number) > 0 ? [(ids[pixel] as number) - 1] : []));

export interface Find {
  readonly item: Sought;
  /** When it was found, seconds from opening; null: it was not. */
  readonly t: number | null;
  /** From the find before, or from the first movement, pauses left out, seconds. */
  readonly seconds: number | null;
  /** The scene in which it was found, and the place in its frame that was picked, frame heights. */
  readonly scene: Scene | null;
  readonly at: { readonly u: number; readonly v: number } | null;
}

export interface Finds {
  readonly finds: readonly Find[];
  /** When nothing was picked that was still to be found, seconds from opening. */
  readonly wrong: readonly number[];
}

/** What of the sought was found: a pick counts by what the screen showed where it was made. */
export function findResults(mesh: Mesh, items: readonly Sought[], evidence: Evidence): Finds {
  const whole = withItems(mesh, items);
  const sought = partsSought(whole, items);
  const finds: Find[] = items.map((item) => ({ item, t: null, seconds: null, scene: null, at: null }));
  const pictureAt = madeAt(evidence, (scene) => drawIds(whole, scene, PICKED.width, PICKED.height));
  let before = evidence.span.from;
  const wrong: number[] = [];
  let looked = 0;
  for (const event of evidence.trace.events) {
    if (event.kind !== 'pick' || event.step !== evidence.index || event.t > evidence.span.to) continue;
    if (++looked > MOST_PICKS) {
      wrong.push(event.t);
      continue;
    }
    const { scene, made: ids } = pictureAt(event.t);
    const shown = partsAt(ids, event.u, event.v);
    const hit = shown.map((part) => finds.findIndex((find, i) => find.t === null && sought[i]?.has(part))).find((i) => i >= 0);
    const found = hit === undefined ? undefined : finds[hit];
    if (hit === undefined || !found) {
      wrong.push(event.t);
      continue;
    }
    finds[hit] = { ...found, t: event.t, seconds: event.t - before - pausedBetween(evidence.trace, before, event.t), scene, at: { u: event.u, v: event.v } };
    before = event.t;
  }
  return { finds, wrong };
}
