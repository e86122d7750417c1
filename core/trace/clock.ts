import type { Trace } from './traceSchema';

/** One step of an attempt in time, seconds from opening; `from` is when its clock starts. */
export interface StepSpan {
  /** Given where one looked round first: when the step came up; what is moved from there to `opened` counts for nothing. */
  readonly begun?: number;
  readonly opened: number;
  readonly from: number;
  readonly to: number;
  /** Seconds on the clock: pauses taken out. */
  readonly seconds: number;
}

/** What is done in a step beside moving. */
const STARTS: ReadonlySet<string> = new Set(['shown', 'pick', 'measure']);

/** Seconds of pauses between two moments. */
export function pausedBetween(trace: Pick<Trace, 'events'>, from: number, to: number): number {
  let total = 0;
  let since: number | null = null;
  for (const event of trace.events) {
    if (event.kind === 'pause') since = event.t;
    if (event.kind === 'resume' && since !== null) {
      total += Math.max(0, Math.min(to, event.t) - Math.max(from, since));
      since = null;
    }
  }
  if (since !== null) total += Math.max(0, to - Math.max(from, since));
  return total;
}

/** When looking round ended in a step; null: nobody looked round. */
export const lookedAt = (events: readonly Trace['events'][number][], step: number): number | null =>
  events.find((event) => event.kind === 'looked' && event.step === step)?.t ?? null;

/**
 * When each step began and ended. A step opens where the one before was done (the first at `begin`), or where looking
 * round ended in it; its clock is read off
 * what was done, not off what the page claims: it starts at the step's first command, or where something was shown to be
 * answered before; a step without either took no time. The last ends at `handIn`. Steps never reached have no span.
 */
export function stepSpans(trace: Pick<Trace, 'events' | 'moves' | 'end'>, steps: number): (StepSpan | null)[] {
  const begin = trace.events.find((event) => event.kind === 'begin')?.t ?? 0;
  const handIn = trace.events.find((event) => event.kind === 'handIn')?.t ?? trace.end;
  const spans: (StepSpan | null)[] = [];
  let opened: number | null = begin;
  for (let step = 0; step < steps; step++) {
    if (opened === null) {
      spans.push(null);
      continue;
    }
    const done = trace.events.find((event) => event.kind === 'stepDone' && event.step === step)?.t;
    const to = done ?? handIn;
    const looked = lookedAt(trace.events, step);
    const start: number = Math.max(opened, looked ?? 0);
    const moved = trace.moves.find((move) => ((step === 0 && looked === null) || move.t > start) && move.t <= to)?.t ?? to;
    const shown = trace.events.find((event) => STARTS.has(event.kind) && 'step' in event && event.step === step && event.t >= start)?.t ?? to;
    const first = Math.min(moved, shown);
    spans.push({
      ...(looked === null ? {} : { begun: opened }),
      opened: start,
      from: first,
      to,
      seconds: Math.max(0, to - first - pausedBetween(trace, first, to)),
    });
    opened = done ?? null;
  }
  return spans;
}
