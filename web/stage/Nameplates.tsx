import { boxOf, heightOver, type Mesh, middleOf, partsUnder } from '@core/geometry';
import { addScaled, dot, length, sub, unit, type Vec3 } from '@core/math';
import { effectiveVisibility, type Scene } from '@core/navigation';
import { eyeOf, FRAME_ASPECT, project } from '@core/view';
import { useEffect, useMemo, useState } from 'react';
import { toPercent } from './marks';
import type { Caster } from './picking';

/** A part's name and where its plate hangs: on the outside of the part, looking away from the model's middle. */
export interface Plate {
  readonly part: string;
  readonly name: string;
  readonly number: number;
  readonly point: Vec3;
  /** The side it looks to; null where a part has none, as in the very middle. */
  readonly normal: Vec3 | null;
  readonly under: ReadonlySet<string>;
  /** Half the diagonal of the part's box, metres. */
  readonly size: number;
}

/** Plates hang on what lies at most this deep in the part tree. */
const DEPTH = 2;
const REST_MS = 120;
/** Parts smaller than this share of the model have no plate: their names would only hide what is large. */
const SMALLEST = 0.05;
/** Plates nearer to each other than this, shares of the frame, would cover each other. */
const ROOM = { across: 0.09, down: 0.045 };

export function platesOf(mesh: Mesh): Plate[] {
  const whole = boxOf(mesh);
  if (!whole) return [];
  const centre = middleOf(whole);
  const byId = new Map(mesh.parts.map((part) => [part.id, part]));
  const depthOf = (id: string | null): number => (id === null ? -1 : 1 + depthOf(byId.get(id)?.parent ?? null));
  return mesh.parts.flatMap((part, number): Plate[] => {
    const depth = depthOf(part.id);
    if (depth < 1 || depth > DEPTH) return [];
    const numbers = partsUnder(mesh, [part.id]);
    const box = boxOf(mesh, numbers);
    if (!box) return [];
    const middle = middleOf(box);
    const normal = unit(sub(middle, centre));
    const half = sub(box.max, middle);
    // Where a line from the part's middle outwards leaves its box.
    const reach = normal ? Math.min(...[0, 1, 2].map((axis) => (half[axis] as number) / Math.max(1e-9, Math.abs(normal[axis] as number)))) : 0;
    const point = normal ? addScaled(middle, normal, reach) : middle;
    const size = length(half);
    if (size < SMALLEST * length(sub(whole.max, centre))) return [];
    return [{ part: part.id, name: part.name, number, point, normal, under: new Set([...numbers].map((n) => mesh.parts[n]?.id ?? '')), size }];
  });
}

/** The plates that can be read: shown parts whose plate looks toward the eye and has nothing before it; the larger parts come first where there is not room for all. */
export function readable(plates: readonly Plate[], mesh: Mesh, scene: Scene, cast: Caster): Plate[] {
  const { view } = scene;
  const eye = eyeOf(view);
  const states = effectiveVisibility(mesh.parts, scene.visibility);
  const taken: { u: number; v: number }[] = [];
  return plates
    .map((plate) => ({ plate, at: project(view, plate.point, FRAME_ASPECT) }))
    .filter(({ plate, at }) => {
      if (scene.section && heightOver(scene.section, plate.point) > 0) return false;
      if (states[plate.number] === 'hidden' || (view.projection === 'perspective' && at.depth <= 0)) return false;
      return Math.abs(at.u) < FRAME_ASPECT / 2 && Math.abs(at.v) < 0.5 && (!plate.normal || dot(plate.normal, sub(eye, plate.point)) > 0);
    })
    .sort((a, b) => b.plate.size - a.plate.size)
    .filter(({ plate, at }) => {
      if (taken.some((p) => Math.abs(p.u - at.u) < ROOM.across * FRAME_ASPECT && Math.abs(p.v - at.v) < ROOM.down)) return false;
      const away = sub(plate.point, eye);
      const direction = unit(away);
      const hit = direction && cast(scene, eye, direction);
      if (hit && !plate.under.has(hit.part) && hit.distance < length(away) * 0.98) return false;
      taken.push(at);
      return true;
    })
    .map(({ plate }) => plate);
}

interface Props {
  readonly mesh: Mesh;
  readonly scene: Scene;
  readonly cast: Caster;
}

/** Names of parts on the stage. They are looked for when the hand rests, and away while it moves. */
export function Nameplates({ mesh, scene, cast }: Props) {
  const plates = useMemo(() => platesOf(mesh), [mesh]);
  const [seen, setSeen] = useState<{ scene: Scene; plates: readonly Plate[] } | null>(null);
  useEffect(() => {
    const timer = setTimeout(() => setSeen({ scene, plates: readable(plates, mesh, scene, cast) }), REST_MS);
    return () => clearTimeout(timer);
  }, [plates, mesh, scene, cast]);
  if (seen?.scene !== scene) return null;
  return (
    <ul aria-label="Nameplates" className="pointer-events-none">
      {seen.plates.map((plate) => {
        const at = toPercent(project(scene.view, plate.point, FRAME_ASPECT));
        return (
          <li
            key={plate.part}
            className="absolute -translate-x-1/2 -translate-y-1/2 whitespace-nowrap rounded border border-ink bg-card/95 px-1.5 text-xs leading-5"
            style={{ left: `${at.left}%`, top: `${at.top}%` }}
          >
            {plate.name}
          </li>
        );
      })}
    </ul>
  );
}
