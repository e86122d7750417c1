import type { TaskEvent } from '../goals/goalKind';
import { bindingName, commandKindsOf, type Scheme } from '../input';
import type { Command, CommandKind, Context, Scene } from '../navigation';
import { createReplay, INTERFACE_BINDINGS, type Move, type MoveGesture, type TraceEvent } from '../trace';

/** Writes an attempt down as it happens: applies each command and keeps time. */
export interface Recorder {
  readonly scene: () => Scene;
  readonly time: () => number;
  readonly wait: (seconds: number) => void;
  readonly event: (
    event:
      | { kind: 'begin' | 'handIn' | 'pause' | 'resume' }
      | { kind: 'stepDone'; step: number }
      | ({ step: number } & TaskEvent)
      | { kind: 'hint'; step: number; number: number },
  ) => void;
  /** Begins a gesture; the commands that follow belong to it until `release`. It is named for what gives the first of them. */
  readonly grasp: () => void;
  readonly release: () => void;
  readonly command: (command: Command) => void;
  /** A step begins: in a scene of its own, or, with null, in the one that is there. */
  readonly begin: (own: Scene | null) => void;
  /** Hears of each command after it was done; returns what ends that. */
  readonly onCommand: (listener: (command: Command, gesture: MoveGesture) => void) => () => void;
  readonly moves: Move[];
  readonly events: TraceEvent[];
}

const DEVICE: Record<Scheme['family'], MoveGesture['device']> = { mouse: 'mouse', touch: 'touch', keyboard: 'keyboard', puck: 'puck' };
/** Times are kept to a tenth of a millisecond, as a browser's clock is. */
const rounded = (t: number): number => Math.round(t * 1e4) / 1e4;

/** What of a scheme gives a command, or what on the screen does where the scheme has nothing for it. */
function giverOf(scheme: Scheme, kind: CommandKind): Pick<MoveGesture, 'device' | 'binding'> {
  const gives = scheme.bindings.filter((binding) => commandKindsOf(binding).includes(kind));
  const found = gives.find((binding) => binding.trigger.kind !== 'key' && binding.modifiers.length === 0) ?? gives[0];
  if (found) return { device: DEVICE[scheme.family], binding: bindingName(found) };
  const shown = Object.entries(INTERFACE_BINDINGS).find(([, kinds]) => (kinds as readonly CommandKind[]).includes(kind));
  return { device: 'interface', binding: shown?.[0] ?? 'panel' };
}

export function createRecorder(start: Scene, context: Context, scheme: Scheme): Recorder {
  const run = createReplay(start, context);
  let t = 0;
  let next = 1;
  let grasped = false;
  let gesture: MoveGesture | null = null;
  const heard = new Set<(command: Command, gesture: MoveGesture) => void>();
  const moves: Move[] = [];
  const events: TraceEvent[] = [];
  return {
    scene: run.scene,
    begin: run.begin,
    time: () => rounded(t),
    wait: (s) => {
      t += Math.max(0, s);
    },
    event: (event) => {
      events.push({ ...event, t: rounded(t) });
    },
    grasp: () => {
      grasped = true;
      gesture = null;
    },
    release: () => {
      grasped = false;
    },
    command: (command) => {
      if (!gesture || !grasped) gesture = { id: next++, ...giverOf(scheme, command.kind) };
      run.perform(command, gesture.id);
      moves.push({ t: rounded(t), command, gesture });
      for (const listener of heard) listener(command, gesture);
    },
    onCommand(listener) {
      heard.add(listener);
      return () => heard.delete(listener);
    },
    moves,
    events,
  };
}
