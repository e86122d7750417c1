import { describe, expect, it } from 'vitest';
import type { CriterionId } from '../criteria';
import type { Goal } from '../goals';
import { BUILT_IN_SCHEMES, KEYBOARD_ALONE, type Scheme, THREE_BUTTON_MOUSE, TWO_BUTTON_MOUSE } from '../input';
import { contextFor } from '../model';
import { apply, type Command } from '../navigation';
import { scoreAttempt } from '../scoring';
import { attempt, crate, exerciseOf, start } from '../tests/practice';
import { degrees, lengthWords, listed, percent, plural, say, seconds, sizeOff } from './sentence';
import { sentenceOf } from './sentences';

const target = (...commands: readonly Command[]): Goal => ({
  kind: 'matchView',
  subject: [],
  target: { ...commands.reduce((s, c) => apply(s, c, contextFor(crate, start)), start), history: start.history },
});

function advice(
  goal: Goal,
  id: CriterionId,
  commands: readonly Command[],
  scheme: Scheme = TWO_BUTTON_MOUSE,
  events: Parameters<typeof attempt>[1] = [],
): string {
  const steps = exerciseOf(goal).steps.map((step) => ({ ...step, criteria: [{ id, full: 0, zero: 1e-6, weight: 1 }] }));
  const kept = scoreAttempt({ steps }, crate, attempt(commands, events)).steps[0]?.criteria[0]?.advice;
  return kept ? sentenceOf(kept, scheme) : '';
}

describe('sentences', () => {
  it('figures a person would say', () => {
    expect([0.01, 0.2443, -1].map(degrees)).toEqual(['0.6°', '14°', '57°']);
    expect([0.012, 0.184].map(percent)).toEqual(['1.2 %', '18 %']);
    expect([0.004, 0.123, 1.5, 12.34].map(lengthWords)).toEqual(['4 mm', '12.3 cm', '1.5 m', '12.3 m']);
    expect([1.18, 0.5, 4.2, 0.1].map(sizeOff)).toEqual(['18 % too large', '50 % too small', '4.2 times too large', '10 times too small']);
    expect([2.345, 61.7].map(seconds)).toEqual(['2.3 s', '62 s']);
    expect([plural(1, 'gesture'), plural(3, 'gesture'), plural(2, 'wrong view')]).toEqual(['1 gesture', '3 gestures', '2 wrong views']);
    expect([listed([]), listed(['a']), listed(['a', 'b', 'c'])]).toEqual(['', 'a', 'a, b and c']);
    expect(say('go on', 'drag left')).toBe('Go on: drag left.');
    expect(say('go on', null)).toBe('Go on.');
  });
});

describe('matching a view', () => {
  it('roll, projection and what is shown', () => {
    expect(advice(target(), 'roll', [{ kind: 'roll', angle: 0.2 }])).toBe('Roll 11° clockwise: press full stop.');
    expect(advice(target(), 'projection', [{ kind: 'projection', projection: 'orthographic' }])).toBe('Switch to perspective: press P.');
    expect(advice(target({ kind: 'show', parts: ['lid'], state: 'hidden' }), 'visibility', [])).toBe('Hide lid.');
  });

  it('both ways at once in one drag', () => {
    expect(advice(target({ kind: 'turn', axis: 'left', angle: 0.3 }, { kind: 'turn', axis: 'down', angle: 0.2 }), 'direction', [])).toBe(
      'Go 17° round to the left and 11° lower: drag right and up.',
    );
  });

  it('far out of the frame it is brought back first', () => {
    expect(advice(target(), 'placement', [{ kind: 'pan', dx: 3000, dy: 0 }])).toBe('Bring the model back into the frame: press E.');
    expect(advice(target(), 'size', [{ kind: 'dolly', metres: 40 }])).toBe('Bring the model back into the frame: press E.');
  });

  it('slides are named for the way the model has to go', () => {
    expect(advice(target(), 'placement', [{ kind: 'pan', dx: 100, dy: 0 }], THREE_BUTTON_MOUSE)).toMatch(
      /^Bring the model \d+ % of the frame's height to the left: middle-drag left\.$/,
    );
    expect(advice(target(), 'placement', [{ kind: 'pan', dx: 0, dy: 100 }], KEYBOARD_ALONE)).toMatch(
      / up: press Alt\+up arrow\.$|up: press Alt\+down arrow\.$/,
    );
  });

  it('the key that is advised does bring it nearer', () => {
    // Slid 100 pixels down, the advised key must slide it up again.
    const words = advice(target(), 'placement', [{ kind: 'pan', dx: 0, dy: 100 }], KEYBOARD_ALONE);
    const binding = KEYBOARD_ALONE.bindings.find(
      (b) =>
        b.trigger.kind === 'key' &&
        b.modifiers.includes('alt') &&
        words.includes(b.trigger.code === 'ArrowUp' ? 'up arrow' : 'down arrow') &&
        b.command.kind === 'command' &&
        b.command.command.kind === 'pan' &&
        b.command.command.dy !== 0 &&
        words.endsWith(b.trigger.code === 'ArrowUp' ? 'up arrow.' : 'down arrow.'),
    );
    const command = binding?.command.kind === 'command' ? binding.command.command : null;
    expect(command).toMatchObject({ kind: 'pan', dy: expect.any(Number) });
    expect(command?.kind === 'pan' && command.dy < 0).toBe(true);
  });
});

describe('the other goals', () => {
  const calls: Goal = {
    kind: 'callView',
    order: 'asGiven',
    calls: [
      { kind: 'standard', name: 'top' },
      { kind: 'face', name: 'the lid', point: [0, 0, 1.15], normal: [0, 0, 1] },
    ],
  };
  it('calls: what was off or not answered, and its key', () => {
    const answered = [{ t: 1.5, kind: 'answer' as const, step: 0, call: 0 }];
    expect(advice(calls, 'standardAngle', [{ kind: 'standard', name: 'front' }], TWO_BUTTON_MOUSE, answered)).toBe('"top" was off by 90°: press 5.');
    expect(advice(calls, 'normalAngle', [{ kind: 'standard', name: 'front' }], TWO_BUTTON_MOUSE, answered)).toBe('"the lid" was not answered: press Q.');
    expect(advice(calls, 'wrongTurns', [{ kind: 'standard', name: 'front' }])).toMatch(/^1 wrong view on the way/);
  });

  it('a cut: where to, how far, which half', () => {
    const cut: Goal = { kind: 'cutToReveal', plane: { normal: [0, 0, 1], offset: 0.5 }, reveal: [] };
    const at = (offset: number, up = true): Command => ({ kind: 'section', plane: { normal: [0, 0, up ? 1 : -1], offset: up ? offset : -offset } });
    expect(advice(cut, 'sectionOffset', [])).toBe('Place a cut that faces the top, through the middle: press K.');
    expect(advice(cut, 'sectionOffset', [at(0.4)])).toBe('Move the cut out by 10 cm: press ].');
    expect(advice(cut, 'sectionOffset', [at(0.6)])).toBe('Move the cut in by 10 cm: press [.');
    expect(advice(cut, 'sectionOffset', [at(0.6, false)])).toBe('Move the cut out by 10 cm: press ].');
    expect(advice(cut, 'sectionSide', [at(0.5, false)])).toBe('Flip the cut, the wrong half is gone: press J.');
    const reveal: Goal = { kind: 'cutToReveal', plane: null, reveal: ['knob'] };
    expect(advice(reveal, 'revealed', [{ kind: 'standard', name: 'rear' }])).toBe('Place a cut that faces the rear, through knob: press K.');
  });

  it('a frame: fill first, then the middle', () => {
    const frame: Goal = { kind: 'frameIt', subject: [], margins: { left: 0.1, right: 0.1, top: 0.1, bottom: 0.1 } };
    expect(advice(frame, 'margin', [{ kind: 'fit', what: 'all', margin: 0.3 }])).toMatch(
      /^It is \d+ % too small for the inner lines: turn the wheel forward\.$/,
    );
    expect(
      advice(frame, 'margin', [
        { kind: 'fit', what: 'all', margin: 0.1 },
        { kind: 'pan', dx: 80, dy: 0 },
      ]),
    ).toMatch(/^Bring the subject [\d.]+ % of the frame's height to the left.*, to the middle of the inner lines: right-drag left/);
    expect(advice({ ...frame, subject: ['knob'] }, 'hiddenShare', [{ kind: 'standard', name: 'rear' }])).toMatch(
      /^Go \d+° round to the (left|right), other parts hide 100 % of the subject: drag/,
    );
  });

  it('every criterion of every goal has one sentence, in every scheme', () => {
    const goals: Goal[] = [
      target({ kind: 'opposite' }),
      calls,
      { kind: 'frameIt', subject: [], margins: { left: 0, right: 0, top: 0, bottom: 0 } },
      { kind: 'cutToReveal', plane: { normal: [0, 0, 1], offset: 0.5 }, reveal: ['knob'] },
    ];
    for (const goal of goals) {
      for (const scheme of BUILT_IN_SCHEMES) {
        for (const { advice: kept } of scoreAttempt(exerciseOf(goal), crate, attempt([{ kind: 'roll', angle: 0.3 }])).steps[0]?.criteria ?? [])
          expect(sentenceOf(kept, scheme)).toMatch(/^["A-Z0-9].*\.$/);
      }
    }
  });
});
