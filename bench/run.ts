/** `npm run bench`: the budgets of core and stage, each beside a plain reference in the same process. Medians; judge by the ratio. */
import {
  defaultCriteria,
  defaultHome,
  drawDepths,
  drawIds,
  type Exercise,
  FRAME,
  fit,
  framingOf,
  gatherEvidence,
  initialScene,
  type Mesh,
  navigate,
  orbitPath,
  type Plane,
  schemeById,
  scoreAttempt,
  sectionContours,
  sectionOverlap,
  seenBy,
  simulateAttempt,
  subjectPoints,
  type Vec3,
  type View,
} from '@core';
import { angleBetween } from '@core/math';
import { resamplePath } from '@core/measures';
import { judgeNow } from '@core/scoring';
import DynamicTimeWarping from 'dynamic-time-warping';
import { Quaternion, Vector3 } from 'three';
import { ball } from './ball';
import { levelBenches } from './levels';
import { measuringBenches } from './measuring';
import { pair } from './pair';
import { reviewBenches } from './review';
import { stageBenches } from './stage';

/** Keeps the references from being optimised away. */
let sink = 0;
const view: View = { target: [0, 0, 0], orientation: [0.5, 0.5, 0.5, 0.5], distance: 6, projection: 'perspective', fovY: 0.7 };
const context = { frame: FRAME };

const REPEATS = 1000;
let at = view;
const q = new Quaternion();
const dq = new Quaternion();
const axis = new Vector3(0, 0, 1);
await pair(
  'navigate: one orbit',
  '4 M/s (250 ns)',
  () => {
    for (let i = 0; i < REPEATS; i++) at = navigate(at, { kind: 'orbit', dx: 1.3, dy: i % 2 ? 0.7 : -0.7, mode: 'turntable' }, context);
  },
  {
    name: 'two quaternion turns of a library',
    run: () => {
      for (let i = 0; i < REPEATS; i++) {
        q.premultiply(dq.setFromAxisAngle(axis, 0.004))
          .multiply(dq.setFromAxisAngle(axis, i % 2 ? 0.002 : -0.002))
          .normalize();
      }
    },
  },
  REPEATS,
);

const points: Vec3[] = Array.from({ length: 500 }, (_, i) => [Math.sin(i) * 2, Math.cos(i * 1.3), Math.sin(i * 0.7) * 1.5]);
await pair('fit: 500 hull points', 'under 100 µs', () => void fit(view, points, 1.6, 0.05), {
  name: 'framing of the same points',
  run: () => void framingOf(view, points),
});

const twoHundred: Mesh = ball(316, 317, 40);
const scene = initialScene(defaultHome(twoHundred));
await pair('drawIds: 320 x 200 of 200k triangles', '15 ms', () => void drawIds(twoHundred, scene, 320, 200), {
  name: 'touching every corner once',
  run: () => touch(twoHundred),
});

const home = defaultHome(twoHundred);
const model = { mesh: twoHundred, home };
const target = initialScene(navigate(home, { kind: 'turn', axis: 'right', angle: 0.8 }, context));
const goal = { kind: 'matchView' as const, target, subject: [] };
const exercise: Exercise & { id: string; version: number } = {
  id: 'bench',
  version: 1,
  title: 'bench',
  brief: '',
  model: { id: 'bench', revision: 1 },
  start: scene,
  steps: [{ id: 'one', brief: 'go', skill: 'orbit', otherSkills: [], hints: [], goal, criteria: defaultCriteria(goal) }],
  allowed: ['orbit', 'panZoom'],
  schemes: [],
  liveHelp: true,
  showTarget: true,
};
const mouse = schemeById('two-button-mouse');
if (!mouse) throw new Error('no scheme');
const short = simulateAttempt(exercise, model, mouse, { noise: 0.1, reaction: 0.4, corrections: 2, slips: 0 }, 3);
const moves = Array.from({ length: 3600 }, (_, i) => ({
  t: i / 60,
  command: { kind: 'orbit' as const, dx: Math.sin(i / 40), dy: 0.2 * Math.cos(i / 25), mode: 'turntable' as const },
  gesture: { id: Math.floor(i / 120), device: 'mouse' as const, binding: 'left drag' },
}));
const minute = {
  ...short,
  moves,
  end: 61,
  events: [
    { kind: 'begin' as const, t: 0 },
    { kind: 'handIn' as const, t: 61 },
  ],
};
await pair('scoreAttempt: 60 s at 60 Hz, 200k triangles', 'under 40 ms', () => void scoreAttempt(exercise, model, minute, mouse), {
  name: 'one id picture of the model',
  run: () => void drawIds(twoHundred, scene, 320, 200),
});
await pair(
  'live closeness: one judgement, 200k',
  'under 20 ms',
  () => void judgeNow(exercise.steps[0] as Exercise['steps'][number], model, { ...scene }, mouse),
  {
    name: 'one id picture of the model',
    run: () => void drawIds(twoHundred, scene, 320, 200),
  },
);

// What of a ball was looked at in fifteen seconds of turns of 20 degrees a second, beside nothing but the pictures that were taken.
const small = { mesh: ball(100, 101, 10), home };
const slow = { ...minute, moves: minute.moves.slice(0, 900).map((move) => ({ ...move, command: { ...move.command, dx: 1.8, dy: 0 } })), end: 16 };
const toSee = { parts: [], sides: true, near: 0, leftOut: [] };
const [looked] = gatherEvidence(exercise.steps, small, {
  ...slow,
  events: [slow.events[0] as (typeof slow.events)[number], { kind: 'handIn' as const, t: 16 }],
});
if (!looked) throw new Error('no evidence');
const taken = seenBy(small, toSee, looked).directions.length;
await pair('unseen: 15 s of turning, 20k triangles', 'ratio under 1.2', () => void seenBy(small, toSee, looked), {
  name: `the ${taken} pictures that were taken`,
  run: () => {
    for (let i = 0; i < taken; i++) drawDepths(small.mesh, { ...scene, view: looked.viewAt((15 * i) / taken) }, 320, 200);
  },
});

const path = (turn: number): Vec3[] =>
  Array.from({ length: 64 }, (_, i) => [Math.sin((i / 63) * turn), -Math.cos((i / 63) * turn) * 0.99, 0.1 * Math.sin(i / 9)]);
const [a, b] = [path(2), path(2.3)];
await pair('path alignment: 64 points', '25 µs', () => void orbitPath(a, b), {
  name: 'a package for time warping, same cost',
  run: () => void new DynamicTimeWarping(resamplePath(a), resamplePath(b), angleBetween).getPath(),
});

const ring = (n: number, x: number) => [
  { closed: true, points: Array.from({ length: n }, (_, i): [number, number] => [x + Math.cos((2 * Math.PI * i) / n), Math.sin((2 * Math.PI * i) / n)]) },
];
const [p, r] = [ring(500, 0), ring(500, 0.3)];
await pair('contour overlap: 500 vertices', '0.6 ms', () => void sectionOverlap(p, r), { name: 'sums over 500 x 500 pairs', run: squares });

const million = ball(708, 707, 20);
const plane = { normal: [0, 0, 1] as Vec3, offset: 0.013 };
const crossing = Uint32Array.from({ length: million.indices.length / 3 }, (_, i) => i).filter((t) => {
  const z = [0, 1, 2].map((k) => million.positions[(million.indices[t * 3 + k] as number) * 3 + 2] as number);
  return Math.min(...z) <= plane.offset && Math.max(...z) > plane.offset;
});
await pair('contours of 1 M triangles', '14 ms', () => void sectionContours(million, plane), { name: 'touching every corner once', run: () => touch(million) });
await pair(`contours with ${crossing.length} candidates`, 'ratio under 3', () => void sectionContours(million, plane, crossing), {
  name: 'the bare loop over the same triangles',
  run: () => void crossings(million, plane, crossing),
});
await stageBenches(million);
await measuringBenches();
await reviewBenches();
levelBenches();
process.stdout.write(`\n${subjectPoints(twoHundred, []).length} hull points of the 200k model\n`);

function touch(mesh: Mesh): void {
  for (let i = 0; i < mesh.indices.length; i++) sink += mesh.positions[(mesh.indices[i] as number) * 3] as number;
}
/** Where the edges of each triangle meet the plane: no more than any contour has to compute. */
function crossings({ positions, indices }: Mesh, { normal, offset }: Plane, triangles: Uint32Array): number[] {
  const at = (corner: number, axis: number): number => positions[corner * 3 + axis] as number;
  const above = (corner: number): number => at(corner, 0) * normal[0] + at(corner, 1) * normal[1] + at(corner, 2) * normal[2] - offset;
  const met: number[] = [];
  for (const triangle of triangles) {
    for (let k = 0; k < 3; k++) {
      const [p, q] = [indices[triangle * 3 + k] as number, indices[triangle * 3 + ((k + 1) % 3)] as number];
      const [hp, hq] = [above(p), above(q)];
      if (hp > 0 === hq > 0) continue;
      for (let axis = 0; axis < 3; axis++) met.push(at(p, axis) + (at(q, axis) - at(p, axis)) * (hp / (hp - hq)));
    }
  }
  return met;
}
function squares(): void {
  for (let i = 0; i < 500; i++) for (let j = 0; j < 500; j++) sink += Math.sqrt(i * j);
}
process.stdout.write(sink === 0 ? ' ' : '');
