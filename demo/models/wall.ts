import type { Bent, Shaper } from './shaper';

/** An opening in a round wall: its middle and half its width as angles, and its sill and head, metres. */
export interface Opening {
  readonly at: number;
  readonly half: number;
  readonly sill: number;
  readonly head: number;
}

const TURN = 2 * Math.PI;

/** A round wall as bent blocks round its openings. They must not overlap. */
export function roundWall(s: Shaper, wall: Bent, openings: readonly Opening[]): void {
  const sorted = [...openings].map((o) => ({ ...o, at: ((o.at % TURN) + TURN) % TURN })).sort((a, b) => a.at - b.at);
  if (sorted.length === 0) {
    s.arc(wall, 0, Math.PI);
    s.arc(wall, Math.PI, TURN);
    return;
  }
  sorted.forEach((opening, i) => {
    const next = sorted[(i + 1) % sorted.length] as Opening;
    const from = opening.at + opening.half;
    const to = next.at - next.half + (i === sorted.length - 1 ? TURN : 0);
    s.arc(wall, from, to);
    if (opening.sill > wall.z0) s.arc({ ...wall, z1: opening.sill }, opening.at - opening.half, from);
    if (opening.head < wall.z1) s.arc({ ...wall, z0: opening.head }, opening.at - opening.half, from);
  });
}
