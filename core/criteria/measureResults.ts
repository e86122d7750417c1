import { diagonalOf, drawDepths, type Feature, type FeaturePick, featureAt, type MeasureKind, type Mesh, valueBetween } from '../geometry';
import type { Scene } from '../navigation';
import { lastMoveBy } from '../trace/replay';
import type { PickMade, TraceEvent } from '../trace/traceSchema';
import { FRAME_ASPECT, project } from '../view';
import { type Evidence, madeAt } from './evidence';
import { PICKED, pixelsAt } from './findResults';

/** Something that has to be measured, by the features that the author picked. */
export interface Ask {
  readonly id: string;
  readonly name: string;
  readonly what: MeasureKind;
  readonly a: FeaturePick;
  readonly b?: FeaturePick | undefined;
}

type Measurement = Extract<TraceEvent, { kind: 'measure' }>;

/** A picked point projects to where it was picked to this many pixels of the picture. */
const PIXELS = 2;
/** A picked point lies on what the picture shows there, to this share of the model's diagonal. */
const DEPTH = 0.01;
/** Values farther off than this share are of something else than what was asked. */
const ELSE = 0.01;
/** Measurements beyond these are not looked at any more. */
const MOST = 60;

/** A value as it should be, metres or radians; null: the picks have none such. */
export const expectedOf = (mesh: Mesh, { what, a, b }: Pick<Ask, 'what' | 'a' | 'b'>): number | null =>
  valueBetween(what, featureAt(mesh, a), b ? featureAt(mesh, b) : null);

export interface MeasureResult {
  readonly ask: Ask;
  readonly expected: number | null;
  /** As it was measured last, computed again; null: it was not, or by picks that the screen did not allow. */
  readonly value: number | null;
  /** |value - expected| / expected, at most 1. */
  readonly error: number;
  /** The scene of the last pick, and where the picks lie in it as world points; null: it was not measured. */
  readonly scene: Scene | null;
  readonly points: readonly FeaturePick['point'][];
}

export interface Measurements {
  readonly results: readonly MeasureResult[];
  /** When something else was measured than what was asked, seconds from opening. */
  readonly wrong: readonly number[];
}

type Drawn = ReturnType<typeof drawDepths>;

/** A scene as picks are looked up in it. */
export const drawnFor = (mesh: Mesh, scene: Scene): Drawn => drawDepths(mesh, scene, PICKED.width, PICKED.height);

/** Whether a scene shows a part's spot at a place of its frame: the spot projects there, and lies on what is seen of the part there. */
export function isSpotShown(mesh: Mesh, scene: Scene, { ids, depths }: Drawn, { part, point }: FeaturePick, u: number, v: number): boolean {
  const at = project(scene.view, point, FRAME_ASPECT);
  const pixel = 1 / PICKED.height;
  if (!(Math.abs(at.u - u) <= PIXELS * pixel && Math.abs(at.v - v) <= PIXELS * pixel)) return false;
  const reach = DEPTH * diagonalOf(mesh);
  return pixelsAt(u, v).some((near) => mesh.parts[(ids[near] as number) - 1]?.id === part && Math.abs((depths[near] as number) - at.depth) <= reach);
}

const errorOf = (value: number | null, expected: number | null): number =>
  value === null || expected === null || !(expected > 0) ? 1 : Math.min(1, Math.abs(value - expected) / expected);

/** What was measured, computed again from what was picked: a claim without a picture that shows it is none. */
export function measureResults(mesh: Mesh, asks: readonly Ask[], evidence: Evidence): Measurements {
  const drawnAt = madeAt(evidence, (scene) => drawnFor(mesh, scene));
  const wasShown = (pick: PickMade): boolean => {
    const { scene, made } = drawnAt(pick.t);
    return isSpotShown(mesh, scene, made, pick, pick.u, pick.v);
  };
  const expected = new Map(asks.map((ask) => [ask.id, expectedOf(mesh, ask)]));
  const values = new Map<string, { value: number | null; event: Measurement }>();
  const wrong: number[] = [];
  let looked = 0;
  for (const event of evidence.trace.events) {
    if (event.kind !== 'measure' || event.step !== evidence.index || event.t > evidence.span.to) continue;
    const ask = asks.find(({ id }) => id === event.ask);
    const picks = event.b ? [event.a, event.b] : [event.a];
    const shown = ask !== undefined && ++looked <= MOST && picks.every((pick) => pick.t <= event.t && wasShown(pick));
    if (!ask || !shown) {
      wrong.push(event.t);
      continue;
    }
    const features: (Feature | null)[] = picks.map((pick) => featureAt(mesh, pick));
    const value = valueBetween(ask.what, features[0] ?? null, features[1] ?? null);
    values.set(ask.id, { value, event });
    if (errorOf(value, expected.get(ask.id) ?? null) > ELSE) wrong.push(event.t);
  }
  return {
    wrong,
    results: asks.map((ask) => {
      const found = values.get(ask.id);
      const should = expected.get(ask.id) ?? null;
      const value = found?.value ?? null;
      const last = found && (found.event.b ?? found.event.a);
      return {
        ask,
        expected: should,
        value,
        error: errorOf(value, should),
        scene: last ? evidence.sceneAfter(lastMoveBy(evidence, last.t)) : null,
        points: found ? [found.event.a.point, ...(found.event.b ? [found.event.b.point] : [])] : [],
      };
    }),
  };
}
