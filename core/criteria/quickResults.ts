import { exact, shuffled } from '../math';
import type { Command, CommandKind } from '../navigation';
import { pausedBetween } from '../trace/clock';
import type { Move, MoveGesture } from '../trace/traceSchema';
import { FRAME } from '../view';
import type { Evidence } from './evidence';
import type { QuickCall } from './quickCall';

/** Calls that are answered by the first gesture after each, round after round. */
export interface QuickList {
  readonly calls: readonly QuickCall[];
  readonly rounds: number;
  /** How long a call waits for its gesture, seconds; null: as long as it takes. */
  readonly seconds: number | null;
}

/** A movement of up to so many pixels of a frame 1000 high is tremor. */
const TREMOR = 4;
/** Gestures that follow a gesture this soon belong to it, seconds: so do the ticks of a wheel. */
export const BEAT = 0.4;

/** What a gesture comes to: one kind of command, its numbers summed (factors multiplied), its words as they were first. */
export type Made = QuickCall;

const isWay = (key: string): boolean => key === 'dx' || key === 'dy';

/** A command as a call: turns by steps are orbits, so that keys and drags answer the same calls. */
function plain(command: Command): Made {
  if (command.kind === 'turn') {
    const way = (command.angle / Math.PI) * FRAME.height;
    const { axis } = command;
    return { kind: 'orbit', dx: axis === 'right' ? -way : axis === 'left' ? way : 0, dy: axis === 'up' ? way : axis === 'down' ? -way : 0 };
  }
  const told = Object.entries(command).filter(([, value]) => typeof value === 'number' || typeof value === 'string');
  return Object.fromEntries(told) as Made;
}

/** How much of a movement a command is, so that of several kinds the largest names a gesture; a press is more than any. */
function sizeOf(made: Made): number {
  if (typeof made.dx === 'number' && typeof made.dy === 'number') return Math.sqrt(made.dx * made.dx + made.dy * made.dy) / FRAME.height;
  if (typeof made.factor === 'number') return Math.abs(exact.log2(made.factor));
  if (made.kind === 'roll' || made.kind === 'look') return Math.abs(Number(made.angle ?? made.yaw ?? 0)) / Math.PI;
  return Number.POSITIVE_INFINITY;
}

/** What a gesture has come to so far, by kind of command. */
export type Sums = Readonly<Partial<Record<CommandKind, Made>>>;

export const NOTHING_MADE: Sums = {};

/** A gesture with one command more; picking is none. */
export function withCommand(sums: Sums, command: Command): Sums {
  if (command.kind === 'select' || command.kind === 'cancel') return sums;
  const next = plain(command);
  const known = sums[next.kind];
  if (!known) return { ...sums, [next.kind]: next };
  const sum = (key: string, a: string | number, b: string | number | undefined): string | number =>
    typeof a === 'number' && typeof b === 'number' ? (key === 'factor' ? a * b : a + b) : a;
  return { ...sums, [next.kind]: Object.fromEntries(Object.entries(known).map(([key, value]) => [key, sum(key, value, next[key])])) as Made };
}

/** What a gesture comes to; null: nothing but tremor. */
export function madeOf(sums: Sums): Made | null {
  const largest = Object.values(sums).sort((a, b) => sizeOf(b) - sizeOf(a))[0];
  return largest && sizeOf(largest) > TREMOR / FRAME.height ? largest : null;
}

/** What the commands of one gesture come to; null: nothing but tremor, or picking. */
export const madeBy = (commands: readonly Command[]): Made | null => madeOf(commands.reduce(withCommand, NOTHING_MADE));

/** Whether what was made is what was called. */
export function answers(call: QuickCall, made: Made): boolean {
  const asked = plain(call as unknown as Command);
  return Object.entries(asked).every(([key, wanted]) => {
    const value = made[key];
    if (typeof wanted === 'string') return value === wanted;
    if (wanted === 0) return true;
    if (typeof value !== 'number') return false;
    if (key === 'factor') return wanted > 1 ? value > 1 : value < 1;
    return Math.sign(value) === Math.sign(wanted) && (!isWay(key) || Math.abs(value) > TREMOR);
  });
}

/** Numbers of the calls in the order in which an attempt hears them: each round all of them, in an order of its own. */
export function quickOrder({ calls, rounds }: QuickList, seed: number): number[] {
  const order: number[] = [];
  for (let round = 0; round < rounds; round++) {
    const next = shuffled(calls.length, (seed + Math.imul(round, 0x9e3779b1)) >>> 0);
    // Not the same twice in a row.
    if (next.length > 1 && next[0] === order.at(-1)) next.push(next.shift() as number);
    order.push(...next);
  }
  return order;
}

/** A moment of a gesture. */
interface Moment {
  readonly t: number;
  readonly gesture?: MoveGesture | undefined;
}

/** Whether a move goes on with a gesture: the same one, or another tick of a wheel soon after. */
export const goesOn = (last: Moment, next: Moment): boolean =>
  (last.gesture !== undefined && last.gesture.id === next.gesture?.id) ||
  (next.gesture !== undefined && next.gesture.binding === last.gesture?.binding && next.gesture.binding.includes('wheel') && next.t - last.t <= BEAT);

interface Group {
  readonly from: number;
  readonly made: Made;
}

/** The gestures of a step that are more than tremor, with when each began. */
function gesturesIn(moves: readonly Move[]): Group[] {
  const groups: Move[][] = [];
  for (const move of moves) {
    if (move.command.kind === 'select' || move.command.kind === 'cancel') continue;
    const last = groups.at(-1);
    if (last && goesOn(last.at(-1) as Move, move)) last.push(move);
    else groups.push([move]);
  }
  return groups.flatMap((group) => {
    const made = madeBy(group.map((move) => move.command));
    return made ? [{ from: (group[0] as Move).t, made }] : [];
  });
}

export interface QuickResult {
  /** Number in the author's list. */
  readonly number: number;
  readonly call: QuickCall;
  /** False where the attempt ended before it was called. */
  readonly called: boolean;
  /** From the call to the beginning of its gesture, pauses left out; null: none came in time. */
  readonly seconds: number | null;
  readonly made: Made | null;
  readonly right: boolean;
  /** A gesture of an earlier scheme that was tried instead. */
  readonly slip: string | null;
}

/** What became of each call, in the order heard: its gesture is the first that begins while it waits. */
export function quickResults(list: QuickList, { trace, index, span, moves }: Evidence): QuickResult[] {
  const shown = new Map<number, number>();
  for (const event of trace.events) {
    if (event.kind === 'shown' && event.step === index && event.t <= span.to && !shown.has(event.call)) shown.set(event.call, event.t);
  }
  const gestures = gesturesIn(moves);
  return quickOrder(list, trace.seed).map((number, place) => {
    const call = list.calls[number] as QuickCall;
    const from = shown.get(place);
    if (from === undefined) return { number, call, called: false, seconds: null, made: null, right: false, slip: null };
    const next = shown.get(place + 1) ?? span.to;
    const paused = (t: number): number => pausedBetween(trace, from, t);
    const found = gestures.find((gesture) => gesture.from >= from && gesture.from < next);
    const seconds = found ? found.from - from - paused(found.from) : null;
    const inTime = found !== undefined && (list.seconds === null || (seconds as number) <= list.seconds);
    const slip = trace.events.find((event) => event.kind === 'slip' && event.step === index && event.t >= from && event.t <= next);
    return {
      number,
      call,
      called: true,
      seconds: inTime ? seconds : null,
      made: inTime ? found.made : null,
      right: inTime && answers(call, found.made),
      slip: slip?.kind === 'slip' ? slip.gesture : null,
    };
  });
}
