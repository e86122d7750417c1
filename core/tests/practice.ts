import type { Exercise } from '../exercise';
import { defaultCriteria, type Goal } from '../goals';
import { defaultHome, type ScoredModel } from '../model';
import { type Command, initialScene, type Scene } from '../navigation';
import { type Move, TRACE_FORMAT, type Trace, type TraceEvent } from '../trace';
import { boxes } from './meshes';

/** A crate with a lid and a knob on its front, and exercises and attempts on it. */
const mesh = boxes([
  { id: 'crate', min: [-1, -0.6, 0], max: [1, 0.6, 1] },
  { id: 'lid', min: [-1.05, -0.65, 1], max: [1.05, 0.65, 1.15] },
  { id: 'knob', min: [-0.1, -0.75, 0.5], max: [0.1, -0.6, 0.7] },
]);
export const crate: ScoredModel = { mesh, home: defaultHome(mesh) };
export const start: Scene = initialScene(crate.home);

export function exerciseOf(...goals: readonly Goal[]): Exercise & { id: string; version: number } {
  return {
    id: 'exercise',
    version: 1,
    title: 'Test',
    brief: '',
    model: { id: 'crate', revision: 1 },
    start,
    steps: goals.map((goal, i) => ({ id: `step-${i}`, brief: 'Do it', skill: 'orbit', otherSkills: [], hints: [], goal, criteria: defaultCriteria(goal) })),
    allowed: ['orbit', 'panZoom', 'recover', 'standard', 'projection', 'section', 'show', 'walk'],
    schemes: [],
    liveHelp: true,
    showTarget: true,
  };
}

/** An attempt that gives these commands, a second apart, and hands in a second later. */
export function attempt(commands: readonly Command[], events: readonly TraceEvent[] = [], seed = 1): Trace {
  const moves: Move[] = commands.map((command, i) => ({ t: i + 1, command }));
  const end = commands.length + 1;
  const all: TraceEvent[] = [{ t: 0, kind: 'begin' }, ...events, { t: end, kind: 'handIn' }];
  return {
    format: TRACE_FORMAT,
    exercise: { id: 'exercise', version: 1 },
    model: { id: 'crate', revision: 1 },
    scheme: { id: 'two-button-mouse', revision: 1 },
    start,
    seed,
    moves,
    events: all.sort((a, b) => a.t - b.t),
    end,
  };
}
