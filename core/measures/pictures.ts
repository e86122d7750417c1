import { drawIds, type Mesh, partsUnder } from '../geometry';
import { exact } from '../math';
import type { Scene } from '../navigation';
import { effectiveVisibility } from '../navigation';

export const PICTURE = { width: 320, height: 200 } as const;
/** A part counts as seen from this many pixels of the picture. */
export const SEEN_PIXELS = 6;

export const pictureOf = (mesh: Mesh, scene: Scene, only?: ReadonlySet<number>): Uint16Array => drawIds(mesh, scene, PICTURE.width, PICTURE.height, only);

/** 1 - intersection over union of the subject's pixels in two pictures; null when neither shows it. */
export function overlapError(a: Uint16Array, b: Uint16Array, subject: ReadonlySet<number>): number | null {
  let both = 0;
  let either = 0;
  for (let i = 0; i < a.length; i++) {
    const inA = subject.has((a[i] as number) - 1);
    const inB = subject.has((b[i] as number) - 1);
    if (inA && inB) both++;
    if (inA || inB) either++;
  }
  return either === 0 ? null : 1 - both / either;
}

/** How many pixels of a picture show these parts. */
export const pixelsOf = (ids: Uint16Array, subject: ReadonlySet<number>): number => ids.reduce((sum, id) => sum + (subject.has(id - 1) ? 1 : 0), 0);

/** Whether a picture has a pixel of the subject. */
export const showsAny = (ids: Uint16Array, subject: ReadonlySet<number>): boolean => ids.some((id) => subject.has(id - 1));

/** The same mesh and scene, with the parts numbered in `all` shown whatever their parents are. */
function withShown(mesh: Mesh, scene: Scene, all: ReadonlySet<number>): { mesh: Mesh; scene: Scene } {
  const states = effectiveVisibility(mesh.parts, scene.visibility);
  return {
    mesh: { ...mesh, parts: mesh.parts.map((part) => ({ ...part, parent: null })) },
    scene: { ...scene, visibility: Object.fromEntries(mesh.parts.map((part, i) => [part.id, all.has(i) ? 'shown' : (states[i] ?? 'shown')])) },
  };
}

/** Numbers of the subject's parts that a target has as glass or hidden. */
export function unshownIn(mesh: Mesh, target: Scene, subject: ReadonlySet<number>): Set<number> {
  const states = effectiveVisibility(mesh.parts, target.visibility);
  return new Set([...subject].filter((i) => states[i] !== 'shown' && (mesh.parts[i]?.count ?? 0) > 0));
}

/** A picture in which these parts are drawn as shown. */
export function pictureShowing(mesh: Mesh, scene: Scene, shown: ReadonlySet<number>): Uint16Array {
  const made = withShown(mesh, scene, shown);
  return pictureOf(made.mesh, made.scene);
}

/** Share of the subject that other parts hide; null when it is not in the frame at all. */
export function hiddenShare(mesh: Mesh, scene: Scene, subject: ReadonlySet<number>): number | null {
  const alone = pixelsOf(pictureOf(mesh, scene, subject), subject);
  return alone === 0 ? null : 1 - pixelsOf(pictureOf(mesh, scene), subject) / alone;
}

/** Share of the subject outside the frame, from a picture of a frame twice as wide and high; 1 when it is nowhere. */
export function clippedShare(mesh: Mesh, scene: Scene, subject: ReadonlySet<number>): number {
  const wide: Scene = { ...scene, view: { ...scene.view, fovY: 2 * exact.atan(2 * exact.tan(scene.view.fovY / 2)) } };
  const w = PICTURE.width * 2;
  const h = PICTURE.height * 2;
  const ids = drawIds(mesh, wide, w, h, subject);
  let all = 0;
  let within = 0;
  for (let y = 0; y < h; y++) {
    for (let x = 0; x < w; x++) {
      if (!subject.has((ids[y * w + x] as number) - 1)) continue;
      all++;
      if (x >= w / 4 && x < (w * 3) / 4 && y >= h / 4 && y < (h * 3) / 4) within++;
    }
  }
  return all === 0 ? 1 : 1 - within / all;
}

/** Share of the listed parts (each with what is under it) that a picture does not show, and which. */
export function unrevealedShare(mesh: Mesh, ids: Uint16Array, reveal: readonly string[]): { share: number; unseen: string[] } {
  const unseen = reveal.filter((id) => pixelsOf(ids, partsUnder(mesh, [id])) < SEEN_PIXELS);
  return { share: reveal.length === 0 ? 0 : unseen.length / reveal.length, unseen };
}

/**
 * Of the parts that are hidden or glass in either scene, the share that are so otherwise than in the target: 0 the same,
 * 1 nothing in common. 0 where both show everything.
 */
export function visibilityError(mesh: Mesh, actual: Scene, target: Scene): number {
  const a = effectiveVisibility(mesh.parts, actual.visibility);
  const b = effectiveVisibility(mesh.parts, target.visibility);
  let concerned = 0;
  let other = 0;
  mesh.parts.forEach((part, i) => {
    if (part.count === 0 || (a[i] === 'shown' && b[i] === 'shown')) return;
    concerned++;
    if (a[i] !== b[i]) other++;
  });
  return concerned === 0 ? 0 : other / concerned;
}
