import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { firstAdvice } from '../advice';
import { type Criterion, partsSought, quickOrder, withItems } from '../criteria';
import { type Box, boxOf, middleOf } from '../geometry';
import { foldTask, GOAL_KINDS, type Goal, type GoalOf } from '../goals';
import { sightOf } from '../goals/findIt/sight';
import { viewFrom } from '../goals/standHere/aim';
import { THREE_BUTTON_MOUSE } from '../input';
import { aboutZ, backOf, exact, multiply, normalise, rotate, type Vec3 } from '../math';
import { isLost, orbitSweep } from '../measures';
import { contextFor, type ScoredModel } from '../model';
import { apply, type Command, commandsToRecall, initialScene, keptOf, type Scene } from '../navigation';
import { simulateAttempt } from '../simulation';
import { GOALS } from '../tests/goals';
import { attempt, crate, exerciseOf, start } from '../tests/practice';
import type { Move, Trace, TraceEvent } from '../trace';
import { anglesOf, FRAME_ASPECT, orientationFrom, project, STANDARD_NAMES, type View } from '../view';
import { examineExercise } from './examine';
import { scoreAttempt } from './scoreAttempt';

const number = (min: number, max: number): fc.Arbitrary<number> => fc.double({ min, max, noNaN: true });
const all: Goal[] = GOAL_KINDS.flatMap((kind) => [...GOALS[kind]] as Goal[]);
const context = contextFor(crate, start);

/** What an attempt does that meets a goal, from the start; with its events. */
function perfect(goal: Goal): { commands: Command[]; events: TraceEvent[] } {
  const none = { events: [] as TraceEvent[] };
  const recall = (scene: Scene, from: Scene = start): Command[] => commandsToRecall(from, keptOf(scene));
  switch (goal.kind) {
    case 'matchView':
      return { commands: recall(goal.target), ...none };
    case 'standHere':
      return { commands: recall(initialScene(viewFrom(goal))), ...none };
    case 'cutToReveal': {
      if (goal.plane && goal.reveal.length === 0) return { commands: [{ kind: 'section', plane: goal.plane }], ...none };
      if (goal.plane)
        return {
          commands: [
            { kind: 'standard', name: 'bottom-front' },
            { kind: 'fit', what: 'all' },
            { kind: 'section', plane: goal.plane },
          ],
          ...none,
        };
      return {
        commands: [
          { kind: 'standard', name: 'top' },
          { kind: 'section', plane: { normal: [0, 0, 1], offset: 0.9 } },
        ],
        ...none,
      };
    }
    case 'seeAll':
      return {
        commands: STANDARD_NAMES.flatMap((name): Command[] => [
          { kind: 'standard', name },
          { kind: 'fit', what: 'all' },
        ]),
        ...none,
      };
    case 'getBack':
      return { commands: [{ kind: 'home' }], ...none };
    case 'frameIt':
      return { commands: followed(goal), ...none };
    case 'followOrbit': {
      const [first] = goal.path;
      const commands: Command[] = recall(initialScene((first as (typeof goal.path)[number]).view));
      for (let i = 1; i < goal.path.length; i++) {
        const [a, b] = [goal.path[i - 1]?.view, goal.path[i]?.view] as [View, View];
        const [p, q] = [backOf(a.orientation), backOf(b.orientation)];
        const round = exact.atan2(q[0], -q[1]) - exact.atan2(p[0], -p[1]);
        const higher = exact.asin(q[2]) - exact.asin(p[2]);
        commands.push({
          kind: 'orbit',
          dx: (-exact.atan2(exact.sin(round), exact.cos(round)) / Math.PI) * 1000,
          dy: (higher / Math.PI) * 1000,
          mode: 'turntable',
          pivot: goal.pivot,
        });
      }
      return { commands, ...none };
    }
    case 'callView':
    case 'quickCalls':
    case 'whichWay':
    case 'findIt':
    case 'measureIt':
      return { commands: [], ...none };
  }
}

/** What is advised, sentence after sentence. */
function followed(goal: Goal): Command[] {
  const [step] = exerciseOf(goal).steps;
  const commands: Command[] = [];
  let scene = start;
  for (let i = 0; step && i < 12; i++) {
    const moves = firstAdvice(step, crate, scene)?.advice.moves ?? [];
    commands.push(...moves);
    scene = moves.reduce((at, move) => apply(at, move, context), scene);
  }
  return commands;
}

const judgedBy = (goal: Goal, criteria: readonly Criterion[]) => exerciseOf(goal).steps.map((step) => ({ ...step, criteria: [...criteria] }));

/** The attempt that meets a goal; every movement one gesture of a mouse, sixty a second. */
function perfectTrace(goal: Goal, seed = 1): Trace {
  if (goal.kind === 'callView') return perfectCalls(goal, seed);
  if (goal.kind === 'quickCalls') return perfectQuick(goal, seed);
  if (goal.kind === 'measureIt')
    return simulateAttempt(exerciseOf(goal), crate, THREE_BUTTON_MOUSE, { noise: 0, reaction: 0.3, corrections: 0, slips: 0 }, seed);
  if (goal.kind === 'findIt') return perfectFinds(goal, seed);
  if (goal.kind === 'whichWay') return perfectWays(goal, seed);
  const { commands } = perfect(goal);
  const turns = commands.findIndex((c) => c.kind === 'orbit');
  const times = goal.kind === 'followOrbit' ? goal.path.map((entry) => entry.t) : [];
  const moves: Move[] = commands.map((command, i) => {
    const on = turns >= 0 && i >= turns;
    const t = on ? 10 + (times[i - turns + 1] ?? 0) : (i + 1) / (goal.kind === 'seeAll' ? 3 : 60);
    return { t, command, gesture: { id: on ? 1000 : i, device: 'mouse', binding: 'test' } };
  });
  const end = (moves.at(-1)?.t ?? 0) + 0.1;
  return {
    ...attempt([]),
    seed,
    moves,
    events: [
      { t: 0, kind: 'begin' },
      { t: end, kind: 'handIn' },
    ],
    end,
  };
}

function perfectCalls(goal: GoalOf<'callView'>, seed: number): Trace {
  const moves: Move[] = [];
  const events: TraceEvent[] = [{ t: 0, kind: 'begin' }];
  const task = (done: number): number => {
    const { prompt } = foldTask(goal, seed, { before: start, moves: [], views: [], events: events.filter((e) => e.kind === 'answer') });
    return prompt?.code === 'call' ? goal.calls.findIndex((c) => JSON.stringify(c) === JSON.stringify(prompt.call)) : done;
  };
  for (let n = 0; n < goal.calls.length; n++) {
    const call = goal.calls[task(n)];
    const t = 1 + n;
    if (call?.kind === 'standard') moves.push({ t, command: { kind: 'standard', name: call.name } });
    else if (call?.kind === 'opposite') moves.push({ t, command: { kind: 'opposite' } });
    else if (call?.kind === 'face') moves.push({ t, command: { kind: 'normalTo', point: call.point, normal: call.normal } });
    // A move and its answer at the same moment belong together.
    events.push({ t, kind: 'answer', step: 0, call: n });
  }
  const end = goal.calls.length + 1;
  return { ...attempt([]), seed, moves, events: [...events, { t: end, kind: 'handIn' }], end };
}

/** Each called gesture, half a second after it was called. */
function perfectQuick(goal: GoalOf<'quickCalls'>, seed: number): Trace {
  const events: TraceEvent[] = [{ t: 0, kind: 'begin' }];
  const moves: Move[] = [];
  quickOrder(goal, seed).forEach((number, place) => {
    const t = 1 + place;
    const call = goal.calls[number];
    events.push({ t, kind: 'shown', step: 0, call: place });
    const command = (
      call?.kind === 'orbit' ? { kind: 'orbit', dx: 60 * Number(call.dx ?? 0), dy: 60 * Number(call.dy ?? 0), mode: 'turntable' } : call
    ) as Command;
    moves.push({ t: t + 0.5, command, gesture: { id: place, device: 'mouse', binding: 'test' } });
  });
  const end = goal.calls.length * goal.rounds + 2;
  return { ...attempt([]), seed, moves, events: [...events, { t: end, kind: 'handIn' }], end };
}

/** Each view answered two seconds after it was shown, with where it is seen from. */
function perfectWays({ questions }: GoalOf<'whichWay'>, seed: number): Trace {
  const events: TraceEvent[] = [{ t: 0, kind: 'begin' }];
  questions.forEach(({ orientation }, call) => {
    const { azimuth, elevation } = anglesOf(orientation);
    events.push({ t: 3 * call, kind: 'shown', step: 0, call }, { t: 3 * call + 2, kind: 'answer', step: 0, call, azimuth, elevation });
  });
  const end = 3 * questions.length;
  return { ...attempt([]), seed, events: [...events, { t: end, kind: 'handIn' }], end };
}

/** Each thing picked in the middle, a second after a look at it. */
function perfectFinds({ items }: GoalOf<'findIt'>, seed: number): Trace {
  const mesh = withItems(crate.mesh, items);
  const moves: Move[] = [];
  const events: TraceEvent[] = [{ t: 0, kind: 'begin' }];
  let scene: Scene = start;
  items.forEach((_, i) => {
    const sight = sightOf(crate, items, i, start) as Scene;
    for (const command of commandsToRecall(scene, { view: sight.view, section: null, visibility: {}, style: sight.style })) {
      moves.push({ t: 2 * i + 1, command, gesture: { id: i, device: 'mouse', binding: 'test' } });
      scene = apply(scene, command, context);
    }
    const { u, v } = project(scene.view, middleOf(boxOf(mesh, partsSought(mesh, items)[i]) as Box), FRAME_ASPECT);
    events.push({ t: 2 * i + 2, kind: 'pick', step: 0, u, v });
  });
  const end = 2 * items.length + 1;
  return { ...attempt([]), seed, moves, events: [...events, { t: end, kind: 'handIn' }], end };
}

describe('for every kind of goal', () => {
  it.each(all.map((goal, i) => [`${goal.kind} ${i}`, goal] as const))('%s: untouched earns nothing, and the goal itself all of it', (_name, goal) => {
    const exercise = exerciseOf(goal);
    expect(examineExercise(exercise, crate).faults).toEqual([]);
    const idle = {
      ...attempt([]),
      events: [
        { t: 0, kind: 'begin' as const },
        { t: 60, kind: 'handIn' as const },
      ],
      end: 60,
    };
    expect(scoreAttempt(exercise, crate, idle).score).toBe(0);
    const card = scoreAttempt(exercise, crate, perfectTrace(goal));
    const lost = card.steps[0]?.criteria.filter((c) => c.weight > 0 && c.points < 1).map((c) => `${c.id} ${c.value}`);
    expect(card.score, lost?.join(', ')).toBeCloseTo(100, 6);
  });

  it('every seed of called views can be met: what "opposite" means is the view that answered before', () => {
    const [goal] = GOALS.callView;
    if (!goal) throw new Error('a goal');
    for (let seed = 0; seed < 24; seed++) expect(scoreAttempt(exerciseOf(goal), crate, perfectTrace(goal, seed)).score, `seed ${seed}`).toBeCloseTo(100, 6);
  });

  it('nothing changes by the order of parts', () => {
    const parts = [2, 0, 1].map((i) => crate.mesh.parts[i] as (typeof crate.mesh.parts)[number]);
    const shuffled: ScoredModel = { ...crate, mesh: { ...crate.mesh, parts } };
    for (const goal of all) {
      const trace = { ...perfectTrace(goal), moves: perfectTrace(goal).moves.slice(0, 3) };
      expect(scoreAttempt(exerciseOf(goal), shuffled, trace).score, goal.kind).toBeCloseTo(scoreAttempt(exerciseOf(goal), crate, trace).score, 6);
    }
  });

  it('nothing but rounding changes by a turn of everything about the vertical', () => {
    const turn = 0.7;
    const q = aboutZ(turn);
    const point = (p: Vec3): Vec3 => rotate(q, p);
    const view = (v: View): View => ({ ...v, target: point(v.target), orientation: normalise(multiply(q, v.orientation)) });
    const scene = (s: Scene): Scene => ({ ...s, view: view(s.view), section: s.section && { ...s.section, normal: point(s.section.normal) } });
    const positions = Float32Array.from(crate.mesh.positions);
    for (let i = 0; i < positions.length; i += 3) positions.set(point([...positions.subarray(i, i + 3)] as unknown as Vec3), i);
    const turned: ScoredModel = { mesh: { ...crate.mesh, positions }, home: view(crate.home) };
    const moved = (goal: Goal): Goal =>
      goal.kind === 'matchView'
        ? { ...goal, target: scene(goal.target) }
        : goal.kind === 'cutToReveal' && goal.plane
          ? { ...goal, plane: { ...goal.plane, normal: point(goal.plane.normal) } }
          : goal;
    const commands: Command[] = [
      { kind: 'turn', axis: 'right', angle: 0.4 },
      { kind: 'zoom', factor: 1.2 },
      { kind: 'roll', angle: 0.1 },
    ];
    for (const goal of [...GOALS.matchView, ...GOALS.frameIt]) {
      const here = scoreAttempt(exerciseOf(goal), crate, attempt(commands)).score;
      const there = scoreAttempt(exerciseOf(moved(goal)), turned, { ...attempt(commands), start: scene(start) }).score;
      expect(Math.abs(here - there), goal.kind).toBeLessThan(0.5);
    }
  });

  it('a command that brings one criterion nearer and leaves the others never lowers the score', () => {
    fc.assert(
      fc.property(number(-3, 3), number(-1.2, 1.2), number(-1.5, 1.5), number(0, 1), (azimuth, elevation, roll, share) => {
        const target = { ...initialScene({ ...start.view, orientation: orientationFrom({ azimuth, elevation, roll: 0 }), projection: 'orthographic' }) };
        const criteria = (['direction', 'roll', 'projection'] as const).map((id, i): Criterion => ({ id, full: 0.03, zero: 0.8, weight: i + 1 }));
        const steps = judgedBy({ kind: 'matchView', target, subject: [] }, criteria);
        const score = (...commands: Command[]): number => scoreAttempt({ steps }, crate, attempt(commands)).score;
        const rolled: Command = { kind: 'roll', angle: roll };
        const less: Command = { kind: 'roll', angle: -roll * share };
        const flat: Command = { kind: 'projection', projection: 'orthographic' };
        return score(rolled, less) >= score(rolled) - 1e-9 && score(rolled, flat) >= score(rolled) - 1e-9;
      }),
      { numRuns: 60 },
    );
  });
});

describe('trying it on', () => {
  const [match] = GOALS.matchView as [Goal];
  it('hiding everything earns nothing', () => {
    for (const goal of all.filter((g) => g.kind !== 'callView' && g.kind !== 'quickCalls' && g.kind !== 'followOrbit')) {
      const hide: Command = { kind: 'show', parts: crate.mesh.parts.map((p) => p.id), state: 'hidden' };
      expect(scoreAttempt(exerciseOf(goal), crate, attempt([hide])).score, goal.kind).toBe(0);
    }
  });

  it('what cannot be seen is not framed', () => {
    const gone = scoreAttempt(exerciseOf(match), crate, attempt([{ kind: 'pan', dx: 9000, dy: 0 }]));
    for (const id of ['direction', 'size', 'placement'] as const) expect(gone.steps[0]?.criteria.find((c) => c.id === id)?.value, id).toBeNull();
  });

  it('the wrong way round an orbit is as wrong as it looks', () => {
    const arc = (turn: number): Vec3[] => Array.from({ length: 60 }, (_, i) => [Math.sin((turn * i) / 59), -Math.cos((turn * i) / 59), 0]);
    expect(orbitSweep(arc(-1.5), arc(1.5))).toBeCloseTo(3, 9);
    expect(orbitSweep(arc(1.2), arc(1.5))).toBeCloseTo(0.3, 9);
    // There and back again: the summed angles are compared.
    const there = [...arc(1), ...arc(1).reverse()];
    expect(orbitSweep([...arc(0.5), ...arc(0.5).reverse()], there)).toBeCloseTo(1, 9);
  });

  it('one who stands in the subject, or whom it fills the frame for, has not lost it; one who turned away has', () => {
    const corners = [-1, 1].flatMap((x) => [-1, 1].flatMap((y) => [-1, 1].map((z): Vec3 => [x, y, z])));
    const eye = (distance: number, azimuth = 0): View => ({
      target: [0, 0, 0],
      orientation: orientationFrom({ azimuth, elevation: 0, roll: 0 }),
      distance,
      projection: 'perspective',
      fovY: 0.6,
    });
    expect(isLost(eye(0.01), corners)).toBe(false);
    expect(isLost(eye(1.2), corners)).toBe(false);
    expect(isLost(eye(8), corners)).toBe(false);
    expect(isLost({ ...eye(8), target: [20, 0, 0] }, corners)).toBe(true);
    expect(isLost({ ...eye(8, Math.PI), target: [0, -20, 0] }, corners)).toBe(true);
    expect(isLost(eye(400), corners)).toBe(true);
    // A long beam of which only the middle crosses the frame.
    expect(
      isLost(eye(4), [
        [-9, 0, -9],
        [9, 0, 9],
      ]),
    ).toBe(false);
  });
});

it('steps that were not reached gain nothing and lose nothing, and list their criteria by loss', () => {
  const exercise = exerciseOf(match2(), match2(), match2());
  const card = scoreAttempt(exercise, crate, attempt([{ kind: 'turn', axis: 'left', angle: 0.4 }]));
  for (const step of card.steps.slice(1)) {
    expect(step.score).toBe(0);
    expect(step.criteria.every((c) => c.points === 0 && c.value === null)).toBe(true);
    expect(step.criteria.map((c) => c.weight)).toEqual([...step.criteria.map((c) => c.weight)].sort((a, b) => b - a));
    // The step before asks for the same view: there untouched would be all.
    expect(step.criteria.find((c) => c.id === 'direction')?.startPoints).toBe(1);
  }
});

function match2(): Goal {
  return { kind: 'matchView', target: { ...apply(start, { kind: 'turn', axis: 'right', angle: 1 }, context), history: start.history }, subject: [] };
}
