import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { contextFor } from '../model';
import { apply, type Command, EMPTY_HISTORY } from '../navigation';
import { command } from '../tests/arbitraries';
import { attempt, crate, start } from '../tests/practice';
import { sameView } from '../view';
import { checkTrace, type TraceRules } from './checkTrace';
import { stepSpans } from './clock';
import { createReplay, lastMoveBy, replay, sampleViews } from './replay';
import { traceSchema } from './traceSchema';

const context = contextFor(crate, start);
const rules: TraceRules = { start, allowed: ['orbit', 'panZoom'], partIds: new Set(crate.mesh.parts.map((p) => p.id)), steps: 2, elapsed: 100 };

describe('replay', () => {
  it('a trace comes through JSON and its schema unchanged, and replays to the same views', () => {
    fc.assert(
      fc.property(fc.array(command, { maxLength: 12 }), (commands) => {
        const trace = attempt(commands);
        const back = traceSchema.parse(JSON.parse(JSON.stringify(trace)));
        const a = replay(trace, context);
        const b = replay(back, context);
        return a.length === commands.length && a.every((scene, i) => sameView(scene.view, (b[i] as typeof scene).view));
      }),
    );
  });

  it('gives the scenes that folding the commands gives, with undone, cancelled and repeated gestures among them', () => {
    const way = fc.constantFrom<Command>({ kind: 'back' }, { kind: 'forward' }, { kind: 'cancel' }, { kind: 'zoom', factor: 1 });
    const gesture = fc.option(fc.integer({ min: 1, max: 3 }), { nil: undefined });
    fc.assert(
      fc.property(fc.array(fc.record({ command: fc.oneof(command, way, way), gesture }), { maxLength: 40 }), (list) => {
        const run = createReplay(start, context);
        let folded = start;
        for (const { command: made, gesture: id } of list) {
          run.perform(made, id);
          folded = apply(folded, made, { ...context, start, ...(id === undefined ? {} : { gesture: id }) });
          expect(run.scene()).toEqual({ ...folded, history: EMPTY_HISTORY });
        }
      }),
      { numRuns: 200 },
    );
  });

  it('keeps one history however many moves there are', () => {
    const commands = Array.from({ length: 60_000 }, (_, i): Command => ({ kind: 'roll', angle: i % 2 ? 0.1 : -0.2 }));
    const run = createReplay(start, context);
    for (const made of commands) run.perform(made, undefined);
    expect(run.scene().history).toBe(EMPTY_HISTORY);
    for (let i = 0; i < commands.length; i++) run.perform({ kind: 'back' }, undefined);
    expect(run.scene().view).toBe(start.view);
  });

  it('inside a gesture views are interpolated, between gestures they hold', () => {
    const gesture = { id: 1, device: 'mouse' as const, binding: 'left drag' };
    const base = attempt([
      { kind: 'roll', angle: 0.2 },
      { kind: 'roll', angle: 0.2 },
      { kind: 'roll', angle: 0.2 },
    ]);
    const trace = { ...base, moves: base.moves.map((m, i) => (i < 2 ? { ...m, gesture } : m)) };
    const views = sampleViews(trace, context, 2);
    const rolled = views.map(
      (v) => Math.round(2 * Math.acos(Math.min(1, Math.abs(v.orientation.reduce((s, x, i) => s + x * (start.view.orientation[i] as number), 0)))) * 1e6) / 1e6,
    );
    expect(rolled).toEqual([0, 0, 0.2, 0.3, 0.4, 0.4, 0.6, 0.6, 0.6]);
    expect([0, 1, 1.5, 3, 9].map((t) => lastMoveBy(trace, t))).toEqual([-1, 0, 0, 2, 2]);
  });
});

describe('the clock', () => {
  it('runs from the first move of each step, and not in pauses; without a move it does not run', () => {
    const trace = attempt(
      [{ kind: 'opposite' }, { kind: 'opposite' }, { kind: 'opposite' }, { kind: 'opposite' }],
      [
        { t: 1.2, kind: 'pause' },
        { t: 1.7, kind: 'resume' },
        { t: 2.5, kind: 'stepDone', step: 0 },
      ],
    );
    expect(stepSpans(trace, 3)).toEqual([{ opened: 0, from: 1, to: 2.5, seconds: 1 }, { opened: 2.5, from: 3, to: 5, seconds: 2 }, null]);
  });
});

describe('checkTrace', () => {
  const good = attempt([{ kind: 'opposite' }]);
  const ok = attempt([{ kind: 'roll', angle: 1 }]);
  it.each([
    [ok, null],
    [good, 'command'],
    [{ ...ok, start: { ...start, style: 'wireframe' as const } }, 'start'],
    [{ ...ok, moves: [{ t: 1, command: { kind: 'select' as const, parts: ['no'] } }] }, 'part'],
    [{ ...ok, moves: [{ t: 50, command: { kind: 'roll' as const, angle: 1 } }] }, 'time'],
    [{ ...ok, end: 200 }, 'time'],
    [{ ...ok, events: [{ t: 1, kind: 'stepDone' as const, step: 1 }] }, 'steps'],
    [{ ...ok, events: [{ t: 1, kind: 'resume' as const }] }, 'steps'],
    [
      {
        ...ok,
        events: [
          { t: 1, kind: 'begin' as const },
          { t: 1, kind: 'begin' as const },
        ],
      },
      'steps',
    ],
    [{ ...ok, end: 3, moves: Array.from({ length: 2001 }, (_, i) => ({ t: 1 + i / 10_000, command: { kind: 'roll' as const, angle: 0 } })) }, 'rate'],
    [{ ...ok, events: [{ t: 1.5, kind: 'begin' as const }] }, 'time'],
    [{ ...ok, events: [{ t: 0.5, kind: 'pause' as const }] }, 'time'],
    [
      {
        ...ok,
        events: [
          { t: 0.5, kind: 'pause' as const },
          { t: 1.5, kind: 'resume' as const },
        ],
      },
      'time',
    ],
    [
      {
        ...ok,
        events: [
          { t: 1, kind: 'pause' as const },
          { t: 1.5, kind: 'resume' as const },
        ],
      },
      null,
    ],
    [
      {
        ...ok,
        events: [
          { t: 0.5, kind: 'stepDone' as const, step: 0 },
          { t: 1, kind: 'begin' as const },
        ],
      },
      'steps',
    ],
  ])('judges trace %#', (trace, code) => {
    expect(checkTrace(trace, rules)?.code ?? null).toBe(code);
  });

  it('takes an attempt from offline without the server’s clock', () => {
    expect(checkTrace({ ...ok, end: 5000, events: [] }, { ...rules, elapsed: null })).toBeNull();
  });
});
