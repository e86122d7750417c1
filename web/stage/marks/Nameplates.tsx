import { type Box, boxOf, heightOver, type Mesh, middleOf, partsUnder } from '@core/geometry';
import { addScaled, dot, length, sub, unit, type Vec3 } from '@core/math';
import { effectiveVisibility, type Scene } from '@core/navigation';
import { eyeOf, FRAME_ASPECT, project } from '@core/view';
import type { LandmarkSeen } from '@server/services/landmarks';
import { type CSSProperties, useEffect, useMemo, useState } from 'react';
import type { Caster } from '../probing/picking';
import { toPercent } from './marks';

/** A name and where its plate hangs. */
export interface Plate {
  readonly id: string;
  readonly name: string;
  readonly kind: 'part' | 'landmark';
  /** Number of the part that it hangs on. */
  readonly number: number;
  readonly point: Vec3;
  /** The side it looks to; null where it has none: it is read from all round. */
  readonly normal: Vec3 | null;
  /** Parts that may stand before it. */
  readonly under: ReadonlySet<string>;
  /** Half the diagonal of the part's box, metres: the larger come first where there is not room for all. */
  readonly size: number;
}

/** Plates hang on what lies at most this deep in the part tree. */
const DEPTH = 2;
const REST_MS = 120;
/** Parts smaller than this share of the model have no plate: their names would only hide what is large. */
const SMALLEST = 0.05;
/** Plates nearer to each other than this, shares of the frame, would cover each other. */
const ROOM = { across: 0.09, down: 0.045 };

/** The plate of one part: on its outside, looking away from the model's middle. */
function plateOn(mesh: Mesh, number: number, whole: Box): Plate | null {
  const part = mesh.parts[number];
  const numbers = part ? partsUnder(mesh, [part.id]) : null;
  const box = numbers && boxOf(mesh, numbers);
  if (!part || !box) return null;
  const middle = middleOf(box);
  const normal = unit(sub(middle, middleOf(whole)));
  const half = sub(box.max, middle);
  // Where a line from the part's middle outwards leaves its box.
  const reach = normal ? Math.min(...[0, 1, 2].map((axis) => (half[axis] as number) / Math.max(1e-9, Math.abs(normal[axis] as number)))) : 0;
  const point = normal ? addScaled(middle, normal, reach) : middle;
  return {
    id: part.id,
    name: part.name,
    kind: 'part',
    number,
    point,
    normal,
    under: new Set([...numbers].map((n) => mesh.parts[n]?.id ?? '')),
    size: length(half),
  };
}

/** Plates of the parts that are large enough and not too deep in the tree. */
export function platesOf(mesh: Mesh): Plate[] {
  const whole = boxOf(mesh);
  if (!whole) return [];
  const smallest = SMALLEST * length(sub(whole.max, middleOf(whole)));
  const byId = new Map(mesh.parts.map((part) => [part.id, part]));
  const depthOf = (id: string | null): number => (id === null ? -1 : 1 + depthOf(byId.get(id)?.parent ?? null));
  return mesh.parts.flatMap((part, number): Plate[] => {
    const depth = depthOf(part.id);
    if (depth < 1 || depth > DEPTH) return [];
    const plate = plateOn(mesh, number, whole);
    return plate && plate.size >= smallest ? [plate] : [];
  });
}

/** Plates of landmarks: a part's hangs on its outside, a face's is read from the side it looks to, a point's from all round. */
export function landmarkPlates(mesh: Mesh, landmarks: readonly LandmarkSeen[]): Plate[] {
  const whole = boxOf(mesh);
  if (!whole) return [];
  return landmarks.flatMap(({ id, name, kind, part, point, normal }): Plate[] => {
    const number = mesh.parts.findIndex((each) => each.id === part);
    const plate = number < 0 ? null : plateOn(mesh, number, whole);
    if (!plate) return [];
    const marked = { ...plate, id, name, kind: 'landmark' } as const;
    return [kind === 'part' ? marked : { ...marked, point, normal: kind === 'face' ? normal : null, under: new Set<string>() }];
  });
}

/** The plates that can be read: shown parts whose plate looks toward the eye and has nothing before it; landmarks come first, then the larger parts, where there is not room for all. */
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
    .sort((a, b) => Number(b.plate.kind === 'landmark') - Number(a.plate.kind === 'landmark') || b.plate.size - a.plate.size)
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
  /** Whether parts have their names. */
  readonly names: boolean;
  /** Landmarks that are shown. */
  readonly landmarks: readonly LandmarkSeen[];
}

/** Names of parts and landmarks on the stage. They are looked for when the hand rests, and away while it moves. */
export function Nameplates({ mesh, scene, cast, names, landmarks }: Props) {
  const plates = useMemo(() => [...landmarkPlates(mesh, landmarks), ...(names ? platesOf(mesh) : [])], [mesh, landmarks, names]);
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
        const style = { left: `${at.left}%`, top: `${at.top}%` };
        if (plate.kind === 'landmark') return <LandmarkLabel key={plate.id} name={plate.name} style={style} />;
        return (
          <li
            key={plate.id}
            className="absolute -translate-x-1/2 -translate-y-1/2 whitespace-nowrap rounded border border-ink bg-card/95 px-1.5 text-xs leading-5"
            style={style}
          >
            {plate.name}
          </li>
        );
      })}
    </ul>
  );
}

/** A dot in a ring on the place itself, as a chart marks a bearing point, and the name beside it. */
function LandmarkLabel({ name, style }: { readonly name: string; readonly style: CSSProperties }) {
  return (
    <li className="absolute flex -translate-x-[9px] -translate-y-1/2 items-center gap-1" style={style} data-landmark={name}>
      <svg className="h-[18px] w-[18px] shrink-0" viewBox="-9 -9 18 18" aria-hidden="true">
        <circle r="7" fill="var(--color-card)" stroke="var(--color-ink)" strokeWidth="1.5" />
        <circle r="3" fill="var(--color-signal)" />
      </svg>
      <span className="whitespace-nowrap rounded bg-ink px-1.5 font-semibold text-paper text-xs leading-5">{name}</span>
    </li>
  );
}
