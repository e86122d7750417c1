import { type CommandGroupId, isAllowed } from '@core/exercise';
import { commandWords } from '@core/input';
import { apply, type Command, type Context, EMPTY_HISTORY, noEffectReason, type Scene } from '@core/navigation';
import { byInterface, type InterfaceBinding, type Move, type MoveGesture, type OwnStarts, replayMoves, type TraceEvent } from '@core/trace';
import type { View } from '@core/view';
import { createStore, type StoreApi } from 'zustand/vanilla';
import { createGestureNames, labelOf } from './fixLabels';
import type { SceneSource, ShownScene } from './sceneSource';

/** One plotted place of the wake. */
export interface Fix {
  readonly view: View;
  readonly label: string;
}

export interface RecorderState extends ShownScene {
  /** Views before, the present one, and those that `forward` would bring back. */
  readonly fixes: readonly Fix[];
  /** Number of the present fix. */
  readonly at: number;
  /** What was refused last, to be said once. */
  readonly refused: { readonly words: string; readonly count: number } | null;
  /** Why nothing may move or change just now, in words; null: it may. */
  readonly still: string | null;
}

/** A hand at work: the present scene and the record of how it came about. All changes go through `perform`. */
export interface Recorder extends StoreApi<RecorderState>, SceneSource {
  getState(): RecorderState;
  subscribe: StoreApi<RecorderState>['subscribe'];
  /**
   * Does the commands and records them; false, and nothing done, when one of them may not be.
   */
  perform(commands: readonly Command[], gesture: MoveGesture, how?: HowPerformed): boolean;
  /** Writes an event down; `t`: the moment it belongs to, left out: now. */
  event(event: DistributiveOmit<TraceEvent, 't'>, t?: number): void;
  /** What a single command stands for at present, instead of itself; null: nothing else. */
  setMeaning(meaning: Meaning | null): void;
  /** Lets nothing move or change any more, and says why to whoever tries; null: it may again. */
  setStill(words: string | null): void;
  /** Says once, in words, why something was not done. */
  say(words: string): void;
  newGesture(): number;
  /** What commands on this model refer to. */
  readonly context: Context;
  readonly starts: OwnStarts;
  readonly moves: readonly Move[];
  readonly events: readonly TraceEvent[];
}

export interface HowPerformed {
  /** The moment the commands belong to, ms on the page's clock, where they come late on a busy machine; left out: now. */
  readonly at?: number | undefined;
  /** What the fix is called that they make together; left out: after what they do. */
  readonly name?: string;
}

type DistributiveOmit<T, K extends PropertyKey> = T extends unknown ? Omit<T, K> : never;

/** The commands that one command stands for, and as what they are recorded; null: for itself. */
export type Meaning = (command: Command, scene: Scene) => { readonly commands: readonly Command[]; readonly binding: InterfaceBinding } | null;

export interface RecorderOptions {
  readonly start: Scene;
  readonly context: Context;
  readonly allowed: readonly CommandGroupId[];
  readonly onMove?: (scene: Scene) => void;
  /** The scenes of their own in which steps begin; left out: none has one. */
  readonly starts?: OwnStarts | undefined;
  /** What was recorded of this attempt before, to go on from there. */
  readonly recorded?: Recorded;
}

/** A record that was broken off: the time since counts as a pause. */
export interface Recorded {
  readonly moves: readonly Move[];
  readonly events: readonly TraceEvent[];
  /** Seconds since the attempt was opened. */
  readonly time: number;
}

const GLIDING: ReadonlySet<Command['kind']> = new Set([
  'standard',
  'opposite',
  'home',
  'fit',
  'snap',
  'level',
  'back',
  'forward',
  'reset',
  'centre',
  'lookAt',
  'normalTo',
  'zoomRegion',
  'turn',
  'fieldOfView',
]);

export function createRecorder({ start, context, allowed, onMove, starts = () => null, recorded }: RecorderOptions): Recorder {
  const opened = performance.now() - (recorded?.time ?? 0) * 1000;
  const labels = new WeakMap<View, string>([[start.view, 'start']]);
  const moves: Move[] = [];
  const events: TraceEvent[] = [];
  let gestures = 0;
  let lastTime = 0;
  let paused = false;
  let meaning: Meaning | null = null;
  /** What a reset goes back to. */
  let origin = start;
  /** In which the present step began. */
  let stepBegan = start;
  /** The scene in which a step begins that follows on another: in one of its own, or with null in the one that is there. */
  const begun = (own: Scene | null, scene: Scene): Scene => {
    origin = own ?? start;
    if (own) labels.set(own.view, 'start');
    stepBegan = own ? { ...own, history: EMPTY_HISTORY } : scene;
    return stepBegan;
  };
  /** After looking round: the step begins as it had begun. */
  const again = (): Scene => ({ ...stepBegan, history: EMPTY_HISTORY });

  const time = (): number => {
    // Never back, and to a tenth of a millisecond, as the trace keeps it.
    lastTime = Math.max(lastTime, Math.round(((performance.now() - opened) / 1000) * 1e4) / 1e4);
    return lastTime;
  };
  /** A moment of the page's clock as seconds of the session: not before what was recorded last, and not yet to come. */
  const momentOf = (at: number): number => {
    const t = Math.round(((at - opened) / 1000) * 1e4) / 1e4;
    return Math.min(time(), Math.max(moves.at(-1)?.t ?? 0, events.at(-1)?.t ?? 0, t));
  };
  const fixesOf = (scene: Scene): Fix[] =>
    [...scene.history.past, scene.view, ...scene.history.future].map((view) => ({ view, label: labels.get(view) ?? 'view' }));
  const nameOf = createGestureNames();
  /** Does one command, and names the fix that it makes. */
  const done = (scene: Scene, command: Command, gesture: number | undefined, name?: string): Scene => {
    const next = apply(scene, command, { ...context, start: origin, ...(gesture === undefined ? {} : { gesture }) });
    const stepped = command.kind === 'back' || command.kind === 'forward' || command.kind === 'cancel';
    if (next.view !== scene.view && !stepped) labels.set(next.view, name ?? nameOf(gesture, command));
    return next;
  };
  let first = recorded ? start : begun(starts(0), start);
  if (recorded) {
    const begin = (own: Scene | null): void => {
      first = begun(own, first);
    };
    const lookedRound = (): void => {
      first = again();
    };
    const perform = (command: Command, gesture: number | undefined): void => {
      first = done(first, command, gesture);
    };
    replayMoves({ begin, again: lookedRound, perform }, recorded, starts);
    moves.push(...recorded.moves);
    events.push(...recorded.events);
    gestures = recorded.moves.reduce((most, move) => Math.max(most, move.gesture?.id ?? 0), 0);
    lastTime = Math.max(moves.at(-1)?.t ?? 0, events.at(-1)?.t ?? 0);
    const paces = events.filter((e) => e.kind === 'pause' || e.kind === 'resume');
    if (events.length > 0 && paces.at(-1)?.kind !== 'pause') events.push({ kind: 'pause', t: lastTime });
    paused = events.length > 0;
  }
  const store = createStore<RecorderState>(() => ({
    scene: first,
    fixes: fixesOf(first),
    at: first.history.past.length,
    refused: null,
    still: null,
    glide: false,
  }));

  /** The clock runs from here on, also after a pause. */
  const awake = (t: number): void => {
    if (paused) event({ kind: 'resume' }, t);
    if (!events.some((e) => e.kind === 'begin')) event({ kind: 'begin' }, t);
  };
  const event: Recorder['event'] = (made, t = time()) => {
    if (made.kind === 'shown' || made.kind === 'answer') awake(t);
    if (made.kind === 'pause' || made.kind === 'resume') {
      if (paused === (made.kind === 'pause')) return;
      paused = made.kind === 'pause';
    }
    events.push({ ...made, t } as TraceEvent);
    const own = made.kind === 'stepDone' ? starts(made.step + 1) : made.kind === 'shown' && made.call > 0 ? starts(made.step, made.call) : null;
    if (made.kind !== 'stepDone' && made.kind !== 'looked' && !own) return;
    const { scene } = store.getState();
    const next = made.kind === 'looked' ? again() : begun(own, scene);
    if (next === scene) return;
    store.setState({ scene: next, fixes: fixesOf(next), at: 0, glide: false });
    onMove?.(next);
  };

  const say = (words: string): void => store.setState((s) => ({ refused: { words, count: (s.refused?.count ?? 0) + 1 } }));

  return {
    ...store,
    context,
    starts,
    say,
    time,
    moves,
    events,
    event,
    newGesture: () => ++gestures,
    setStill: (words) => store.setState({ still: words }),
    setMeaning(means) {
      meaning = means;
    },
    perform(asked, by, { at, name } = {}) {
      if (asked.length === 0) return false;
      let { scene } = store.getState();
      const { still } = store.getState();
      if (still) {
        say(still);
        return false;
      }
      const meant = asked.length === 1 ? meaning?.(asked[0] as Command, scene) : null;
      const commands = meant?.commands ?? asked;
      const gesture = meant ? byInterface(by.id, meant.binding) : by;
      const forbidden = commands.find((command) => !isAllowed(command.kind, allowed));
      if (forbidden) {
        say(`${commandWords(forbidden)} is not allowed in this exercise.`);
        return false;
      }
      const only = asked.length === 1 ? asked[0] : undefined;
      const why = only ? noEffectReason(only, scene) : null;
      if (why) {
        say(why);
        return false;
      }
      const t = at === undefined ? time() : momentOf(at);
      awake(t);
      for (const command of commands) {
        scene = done(scene, command, gesture.id, name ?? (meant && only ? labelOf(only) : undefined));
        // Kept without its end: a pure list of what was done.
        moves.push({ t, command, gesture });
      }
      const glide = only !== undefined && GLIDING.has(only.kind);
      store.setState({ scene, fixes: fixesOf(scene), at: scene.history.past.length, glide });
      onMove?.(scene);
      return true;
    },
  };
}
