import type { Exercise } from '../exercise';
import { flatHull, type Polygon, sectionArea } from '../geometry';
import { angleBetween, exact, type Vec3 } from '../math';
import { initialScene } from '../navigation';
import type { Trace } from '../trace';
import { FRAME_ASPECT, project } from '../view';
import { type CallResult, callResults } from './calls';
import { gatherEvidence } from './evidence';
import { followedPath } from './followed';
import { askedBox, type Framing, framingOf } from './framing';
import { subjectIds } from './measure';
import { type ScoredModel, subjectOf } from './model';
import { alignPaths } from './paths';
import { contoursOf, projectContours } from './section';

/** A direction to the eye as azimuth and elevation, radians. */
export interface Unrolled {
  readonly azimuth: number;
  readonly elevation: number;
}

/** What a card draws of a step beside its points. */
export type StepDetail =
  | { readonly kind: 'none' }
  | { readonly kind: 'calls'; readonly calls: readonly Omit<CallResult, 'view'>[] }
  | {
      readonly kind: 'orbit';
      readonly path: readonly Unrolled[];
      readonly reference: readonly Unrolled[];
      readonly pairs: readonly (readonly [number, number])[];
      readonly worst: number;
    }
  | {
      readonly kind: 'frame';
      /** The subject's outline on the screen, frame heights. */
      readonly outline: readonly (readonly [u: number, v: number])[];
      readonly box: Framing['box'];
      readonly asked: Framing['box'];
      readonly margins: { left: number; right: number; top: number; bottom: number };
    }
  | {
      readonly kind: 'section';
      readonly mine: readonly Polygon[];
      readonly target: readonly Polygon[];
      readonly mineArea: number;
      readonly targetArea: number;
    };

/** Azimuths run on past half a turn, so that a path is one line. */
export function unroll(path: readonly Vec3[], from?: number): Unrolled[] {
  let last = from;
  return path.map((d) => {
    let azimuth = exact.atan2(d[0], -d[1]);
    if (last !== undefined) azimuth += Math.round((last - azimuth) / (2 * Math.PI)) * 2 * Math.PI;
    last = azimuth;
    return { azimuth, elevation: exact.asin(Math.min(1, Math.max(-1, d[2]))) };
  });
}

/** What each step's picture of the difference is drawn from. */
export function detailsOf(exercise: Pick<Exercise, 'steps'>, model: ScoredModel, trace: Trace): StepDetail[] {
  return gatherEvidence(exercise.steps, model, trace).map((evidence): StepDetail => {
    if (!evidence) return { kind: 'none' };
    const { goal } = evidence.step;
    if (goal.kind === 'callView') return { kind: 'calls', calls: callResults(goal, evidence).map(({ view: _, ...result }) => result) };
    if (goal.kind === 'followOrbit') {
      const { directions, reference } = followedPath(goal, evidence);
      const aligned = alignPaths(directions, reference);
      const off = aligned.pairs.map(([i, j]) => angleBetween(aligned.path[i] as Vec3, aligned.reference[j] as Vec3));
      const line = unroll(aligned.reference);
      return { kind: 'orbit', reference: line, path: unroll(aligned.path, line[0]?.azimuth), pairs: aligned.pairs, worst: off.indexOf(Math.max(...off)) };
    }
    if (goal.kind === 'frameIt') {
      const points = subjectOf(model.mesh, subjectIds(goal));
      const framing = framingOf(evidence.after.view, points);
      const seen = points.map((point) => project(evidence.after.view, point, FRAME_ASPECT));
      return framing
        ? {
            kind: 'frame',
            outline: flatHull(seen).flatMap((i) => (seen[i] ? [[seen[i].u, seen[i].v] as const] : [])),
            box: framing.box,
            asked: askedBox(framing, goal.margins),
            margins: goal.margins,
          }
        : { kind: 'none' };
    }
    const plane = goal.kind === 'cutToReveal' ? goal.plane : goal.target.section;
    if (!plane) return { kind: 'none' };
    const target = contoursOf(model.mesh, goal.kind === 'matchView' ? goal.target : { ...initialScene(evidence.after.view), section: plane });
    const { section } = evidence.after;
    const mine = section ? projectContours(contoursOf(model.mesh, evidence.after), section, plane) : [];
    return { kind: 'section', mine, target, mineArea: sectionArea(section ? contoursOf(model.mesh, evidence.after) : []), targetArea: sectionArea(target) };
  });
}
