import { boxOf, middleOf, type NearestTriangle, type PlacedItem, partsInBox, partsUnder, placedMesh } from '@core/geometry';
import type { FrameRectangle } from '@core/input';
import { dot, scale, type Vec3 } from '@core/math';
import { type Command, commandsToStand, type Scene } from '@core/navigation';
import { eyeOf, FRAME_ASPECT } from '@core/view';
import type { Prepared } from '../prepared';
import { type Caster, createCaster, nearestThrough, type Picker, pickerOf, withPlacedObjects } from './picking';
import { riseStep, standingPlace, type Walking, walkSteps } from './walking';

/** What only the mesh can tell, found by the stage and written into commands. World metres. */
export interface Probes {
  readonly pick: Picker;
  readonly cast: Caster;
  /** Height of the ground the model stands on. */
  readonly ground: number;
  readonly size: number;
  /** The triangle that a spot lies on. */
  readonly nearest: NearestTriangle;
  /** Objects that stand in the model, and are met by whatever points. */
  setPlaced(items: readonly PlacedItem[]): void;
  selectionCentre(scene: Scene): Vec3 | null;
  /** Middle of what is seen in the frame. */
  visibleMiddle(scene: Scene): Vec3 | null;
  partsInBox(scene: Scene, rectangle: FrameRectangle, whole: boolean): string[];
  /** What held keys come to where floors and walls are. */
  walked(scene: Scene, commands: readonly Command[], how: Omit<Walking, 'ground'>): Command[];
  /** The commands that stand the eye where is pointed; null where there is no floor. */
  standOn(scene: Scene, at: { point: Vec3; normal?: Vec3 | undefined } | null): Command[] | null;
}

/** The frame is looked through at this many points across; as many down as its shape allows. */
const ACROSS = 9;
const DOWN = 5;

export function createProbes(prepared: Prepared): Probes {
  const { mesh } = prepared;
  const model = createCaster(prepared);
  let all = model;
  const cast: Caster = (scene, origin, direction) => all(scene, origin, direction);
  const pick = pickerOf(cast);
  const box = boxOf(mesh) ?? { min: [0, 0, 0] as Vec3, max: [1, 1, 1] as Vec3 };
  const ground = box.min[2];
  const size = Math.max(box.max[0] - box.min[0], box.max[1] - box.min[1], box.max[2] - box.min[2]);
  return {
    pick,
    cast,
    ground,
    size,
    nearest: nearestThrough(prepared),
    setPlaced(items) {
      all = items.length === 0 ? model : withPlacedObjects(model, placedMesh(items));
    },
    selectionCentre(scene) {
      if (scene.selection.parts.length === 0) return null;
      const found = boxOf(mesh, partsUnder(mesh, scene.selection.parts));
      return found ? middleOf(found) : null;
    },
    visibleMiddle(scene) {
      const min = [Infinity, Infinity, Infinity];
      const max = [-Infinity, -Infinity, -Infinity];
      for (let i = 0; i < ACROSS; i++)
        for (let j = 0; j < DOWN; j++) {
          const hit = pick(scene, ((i + 0.5) / ACROSS - 0.5) * FRAME_ASPECT, (j + 0.5) / DOWN - 0.5);
          if (!hit) continue;
          for (let axis = 0; axis < 3; axis++) {
            min[axis] = Math.min(min[axis] as number, hit.point[axis] as number);
            max[axis] = Math.max(max[axis] as number, hit.point[axis] as number);
          }
        }
      return (min[0] as number) <= (max[0] as number) ? middleOf({ min: min as unknown as Vec3, max: max as unknown as Vec3 }) : null;
    },
    partsInBox: (scene, rectangle, whole) => partsInBox(mesh, scene, rectangle, whole),
    walked(scene, commands, how) {
      const rules = { ...how, ground };
      return commands.flatMap((command): Command[] => {
        if (command.kind === 'walk') return walkSteps(cast, scene, command, rules);
        if (command.kind !== 'rise') return [command];
        const made = riseStep(cast, scene, command.metres, rules);
        return made ? [made] : [];
      });
    },
    standOn(scene, at) {
      const eye = eyeOf(scene.view);
      if (at) {
        const normal = at.normal && (dot(at.normal, [eye[0] - at.point[0], eye[1] - at.point[1], eye[2] - at.point[2]]) < 0 ? scale(at.normal, -1) : at.normal);
        const place = standingPlace(cast, scene, at.point, normal, ground);
        return place && commandsToStand(scene.view, place);
      }
      const inside = eye.every((x, axis) => x >= (box.min[axis] as number) && x <= (box.max[axis] as number));
      const place = inside ? standingPlace(cast, scene, eye, undefined, ground) : null;
      return place && commandsToStand(scene.view, place);
    },
  };
}
