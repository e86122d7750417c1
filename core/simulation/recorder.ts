import type { Scheme } from '../input';
import { apply, type Command, type Context, type Scene } from '../navigation';
import type { Move, MoveGesture, TraceEvent } from '../trace';

/** Writes an attempt down as it happens: applies each command and keeps time. */
export interface Recorder {
  readonly scene: () => Scene;
  readonly time: () => number;
  readonly wait: (seconds: number) => void;
  readonly event: (
    event:
      | { kind: 'begin' | 'handIn' | 'pause' | 'resume' }
      | { kind: 'stepDone'; step: number }
      | { kind: 'answer'; step: number; call: number }
      | { kind: 'hint'; step: number; number: number },
  ) => void;
  /** Begins a gesture; the commands that follow belong to it until `release`. */
  readonly grasp: (binding: string) => void;
  readonly release: () => void;
  readonly command: (command: Command) => void;
  readonly moves: Move[];
  readonly events: TraceEvent[];
}

const DEVICE: Record<Scheme['family'], MoveGesture['device']> = { mouse: 'mouse', touch: 'touch', keyboard: 'keyboard', puck: 'puck' };
/** Times are kept to a tenth of a millisecond, as a browser's clock is. */
const rounded = (t: number): number => Math.round(t * 1e4) / 1e4;

export function createRecorder(start: Scene, context: Context, scheme: Scheme): Recorder {
  let scene = start;
  let t = 0;
  let next = 1;
  let gesture: MoveGesture | null = null;
  const moves: Move[] = [];
  const events: TraceEvent[] = [];
  return {
    scene: () => scene,
    time: () => rounded(t),
    wait: (s) => {
      t += Math.max(0, s);
    },
    event: (event) => {
      events.push({ ...event, t: rounded(t) });
    },
    grasp: (binding) => {
      gesture = { id: next++, device: DEVICE[scheme.family], binding };
    },
    release: () => {
      gesture = null;
    },
    command: (command) => {
      scene = apply(scene, command, { ...context, ...(gesture ? { gesture: gesture.id } : {}) });
      moves.push({ t: rounded(t), command, ...(gesture ? { gesture } : {}) });
    },
    moves,
    events,
  };
}
