import { readFileSync } from 'node:fs';
import {
  CARD_FORMAT,
  checkTrace,
  EXERCISE_FORMAT,
  exerciseToKeep,
  readCard,
  readDraft,
  readExercise,
  readScheme,
  SCHEME_FORMAT,
  type ScoreCard,
  schemeToKeep,
  scoreAttempt,
  sentenceOf,
  TRACE_FORMAT,
  traceSchema,
} from '@core';
import { crate } from '@core/tests/practice';
import { describe, expect, it } from 'vitest';

const kept = (name: string): Record<string, unknown> => JSON.parse(readFileSync(`core/tests/kept/${name}.json`, 'utf8'));

describe('what was kept in its first form still opens', () => {
  it('an exercise, with its goals, and is kept again in the newest form', () => {
    const first = kept('exercise-1');
    expect(first).not.toHaveProperty('format');
    const exercise = readExercise(first);
    expect(exercise.steps.map((s) => s.goal.kind)).toEqual(['matchView', 'callView', 'frameIt', 'cutToReveal', 'followOrbit']);
    expect(exercise.steps.map((s) => s.criteria.length)).toEqual((first.steps as { criteria: unknown[] }[]).map((s) => s.criteria.length));
    const again = JSON.parse(JSON.stringify(exerciseToKeep(exercise)));
    expect(again.format).toBe(EXERCISE_FORMAT);
    expect(readExercise(again)).toEqual(exercise);
  });

  it('a draft; one that cannot be read, or is of a form yet to come, is told from the others', () => {
    expect(readDraft(kept('exercise-1'))?.title).toBe('Kept');
    for (const none of [null, 'text', {}, { ...kept('exercise-1'), steps: 'none' }, { ...kept('exercise-1'), format: EXERCISE_FORMAT + 1 }])
      expect(readDraft(none)).toBeNull();
    expect(() => readExercise({})).toThrow();
  });

  it('a scheme', () => {
    const scheme = readScheme(kept('scheme-1'));
    expect(scheme.id).toBe('two-button-mouse');
    const again = JSON.parse(JSON.stringify(schemeToKeep(scheme)));
    expect(again.format).toBe(SCHEME_FORMAT);
    expect(readScheme(again)).toEqual(scheme);
    expect(() => readScheme({ ...kept('scheme-1'), format: SCHEME_FORMAT + 1 })).toThrow();
  });

  it('a trace: every command of it, and it can be scored', () => {
    const first = kept('trace-1');
    const trace = traceSchema.parse(first);
    expect(trace.format).toBe(TRACE_FORMAT);
    expect(trace).not.toHaveProperty('version');
    expect(trace.moves).toHaveLength((first.moves as unknown[]).length);
    expect(traceSchema.parse(JSON.parse(JSON.stringify(trace)))).toEqual(trace);
    const exercise = readExercise(kept('exercise-1'));
    const rules = {
      start: exercise.start,
      allowed: exercise.allowed,
      partIds: new Set(crate.mesh.parts.map((p) => p.id)),
      steps: exercise.steps.length,
      elapsed: null,
    };
    expect(checkTrace(trace, rules)).toBeNull();
    const card = scoreAttempt(exercise, crate, trace);
    expect(card.score).toBeGreaterThan(30);
    // Calls that were not shown are heard as they used to be.
    expect(card.steps[1]?.criteria.find((c) => c.id === 'callTime')?.value).toBeGreaterThan(0);
    expect(traceSchema.safeParse({ ...first, version: 9 }).success).toBe(false);
  });

  it('a card shows the score and the words that it had', () => {
    const first = kept('card-1') as unknown as { score: number; steps: { criteria: { id: string; advice: string; points: number }[] }[] };
    const card = readCard(first) as ScoreCard;
    expect(card.format).toBe(CARD_FORMAT);
    expect(card.score).toBe(first.score);
    card.steps.forEach((step, i) => {
      step.criteria.forEach((result, k) => {
        const was = first.steps[i]?.criteria[k];
        expect([result.id, result.points, sentenceOf(result.advice, null)]).toEqual([was?.id, was?.points, was?.advice]);
      });
    });
    expect(readCard(JSON.parse(JSON.stringify(card)))).toEqual(card);
    expect(readCard({ format: CARD_FORMAT + 1 })).toBeNull();
  });
});
