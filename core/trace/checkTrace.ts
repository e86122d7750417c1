import { type CommandGroupId, isAllowed } from '../exercise/commandGroups';
import type { Scene } from '../navigation';
import type { Trace } from './traceSchema';

/** Why a trace cannot count: a code, and a sentence for a person. */
export interface Refusal {
  readonly code: 'start' | 'command' | 'part' | 'time' | 'rate' | 'steps' | 'exercise';
  readonly message: string;
}

export interface TraceRules {
  readonly start: Scene;
  readonly allowed: readonly CommandGroupId[];
  readonly partIds: ReadonlySet<string>;
  readonly steps: number;
  /** Numbers of the steps before which one may look round. */
  readonly looks?: ReadonlySet<number>;
  /** Seconds that the server saw between opening and handing in; null when it was not connected. */
  readonly elapsed: number | null;
}

/** A 3D mouse, a screen of 240 Hz and two fingers together stay well under it. */
const MAX_RATE = 2000;
const NONE: ReadonlySet<number> = new Set();
/** The server's clock and the page's start apart by the time a page takes to load; a second of slack covers rounding. */
const SLACK = 1;

function unknownPart(trace: Trace, partIds: ReadonlySet<string>): string | null {
  for (const { command } of trace.moves) {
    if (command.kind !== 'show' && command.kind !== 'isolate' && command.kind !== 'select') continue;
    for (const id of command.parts) if (!partIds.has(id)) return id;
  }
  return null;
}

function busiestSecond(trace: Trace): number {
  let most = 0;
  let first = 0;
  trace.moves.forEach((move, i) => {
    while (move.t - (trace.moves[first]?.t ?? 0) >= 1) first++;
    most = Math.max(most, i - first + 1);
  });
  return most;
}

function eventOrder(trace: Trace, steps: number, looks: ReadonlySet<number>): Refusal | null {
  let done = 0;
  /** Steps in which something was done beside moving. */
  const begun = new Set<number>();
  let paused = false;
  const refused: Refusal = { code: 'steps', message: 'The steps of this attempt are not in order.' };
  for (const event of trace.events) {
    if (event.kind === 'stepDone') {
      if (event.step !== done || done >= steps) return refused;
      done++;
    }
    if (event.kind === 'looked') {
      // Once, in the step that is there, before anything in it counts.
      if (event.step !== done || !looks.has(event.step) || begun.has(event.step)) return refused;
      begun.add(event.step);
    } else if ('step' in event && event.kind !== 'slip') begun.add(event.step);
    if (event.kind === 'pause' || event.kind === 'resume') {
      if (paused === (event.kind === 'pause')) return refused;
      paused = event.kind === 'pause';
    }
    if (
      (event.kind === 'answer' ||
        event.kind === 'shown' ||
        event.kind === 'hint' ||
        event.kind === 'pick' ||
        event.kind === 'measure' ||
        event.kind === 'slip') &&
      event.step >= steps
    )
      return refused;
  }
  const began = trace.events.find((event) => event.kind === 'begin')?.t ?? 0;
  const firstDone = trace.events.find((event) => event.kind === 'stepDone')?.t;
  if (firstDone !== undefined && firstDone < began) return refused;
  const count = (kind: string): number => trace.events.filter((event) => event.kind === kind).length;
  return count('begin') > 1 || count('handIn') > 1 ? refused : null;
}

/** A movement before the beginning, or while the clock stands still. */
function movesOffTheClock(trace: Trace): Refusal | null {
  const began = trace.events.find((event) => event.kind === 'begin')?.t ?? 0;
  const first = trace.moves[0];
  if (first && first.t < began) return { code: 'time', message: 'The attempt moves before it begins.' };
  let since: number | null = null;
  let at = 0;
  const ends = [...trace.events.filter((event) => event.kind === 'pause' || event.kind === 'resume'), { kind: 'resume', t: Number.POSITIVE_INFINITY }];
  for (const event of ends) {
    if (event.kind === 'pause') since = event.t;
    else if (since !== null) {
      while (at < trace.moves.length && (trace.moves[at]?.t ?? 0) <= since) at++;
      if ((trace.moves[at]?.t ?? Number.POSITIVE_INFINITY) < event.t) return { code: 'time', message: 'The attempt moves while it is paused.' };
      since = null;
    }
  }
  return null;
}

/** Null when the trace may be scored, else why not. */
export function checkTrace(trace: Trace, rules: TraceRules): Refusal | null {
  if (JSON.stringify(trace.start) !== JSON.stringify(rules.start)) {
    return { code: 'start', message: "The attempt does not begin at the exercise's start view. Open the exercise again and start from there." };
  }
  const forbidden = trace.moves.find((move) => !isAllowed(move.command.kind, rules.allowed));
  if (forbidden) return { code: 'command', message: `This exercise does not allow the command "${forbidden.command.kind}".` };
  const part = unknownPart(trace, rules.partIds);
  if (part !== null) return { code: 'part', message: `The model has no part "${part}".` };
  let last = 0;
  for (const { t } of trace.moves) {
    if (t < last || t > trace.end) return { code: 'time', message: 'The times of this attempt go back or run past its end.' };
    last = t;
  }
  last = 0;
  for (const { t } of trace.events) {
    if (t < last || t > trace.end) return { code: 'time', message: 'The times of this attempt go back or run past its end.' };
    last = t;
  }
  if (rules.elapsed !== null && trace.end > rules.elapsed + SLACK) {
    return { code: 'time', message: 'The attempt claims more time than passed between opening and handing in.' };
  }
  const offTheClock = movesOffTheClock(trace);
  if (offTheClock) return offTheClock;
  if (busiestSecond(trace) > MAX_RATE) return { code: 'rate', message: `More than ${MAX_RATE} commands in a second: no hand does that.` };
  return eventOrder(trace, rules.steps, rules.looks ?? NONE);
}
