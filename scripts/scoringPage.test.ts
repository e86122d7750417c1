import { readFileSync } from 'node:fs';
import {
  apply,
  type Command,
  type CriterionId,
  contextFor,
  type Goal,
  orbitPath,
  orbitSweep,
  orbitWorst,
  pointsFor,
  scoreAttempt,
  scoreOf,
  type Vec3,
} from '@core';
import { attempt, crate, exerciseOf, start } from '@core/tests/practice';
import { describe, expect, it } from 'vitest';
import { withTable } from './scoringPage';

const text = readFileSync('docs/scoring.md', 'utf8');
const DEGREE = Math.PI / 180;
const front: Command = { kind: 'standard', name: 'front' };
const flat: Command = { kind: 'projection', projection: 'orthographic' };
const right = (degrees: number): Command => ({ kind: 'turn', axis: 'right', angle: degrees * DEGREE });
const after = (...commands: readonly Command[]) => commands.reduce((scene, c) => apply(scene, c, contextFor(crate, start)), start);
const target = (...commands: readonly Command[]): Goal => ({ kind: 'matchView', target: { ...after(...commands), history: start.history }, subject: [] });

function value(id: CriterionId, goal: Goal, ...commands: readonly Command[]): number {
  const exercise = exerciseOf(goal);
  const steps = exercise.steps.map((step) => ({ ...step, criteria: [{ id, full: 0, zero: 1e6, weight: 1 }] }));
  return scoreAttempt({ steps }, crate, attempt(commands)).steps[0]?.criteria[0]?.value ?? Number.NaN;
}

const arc = (turn: number, height = 0): Vec3[] =>
  Array.from({ length: 200 }, (_, i) => [Math.sin((turn * i) / 199) * Math.cos(height), -Math.cos((turn * i) / 199) * Math.cos(height), Math.sin(height)]);
const frame: Goal = { kind: 'frameIt', subject: [], margins: { left: 0.1, right: 0.1, top: 0.1, bottom: 0.1 } };
const level = (offset: number): Command => ({ kind: 'section', plane: { normal: [0, 0, 1], offset } });
const cut: Goal = { kind: 'cutToReveal', plane: { normal: [0, 0, 1], offset: 0.3 }, reveal: [] };
const off24 = pointsFor(24 * DEGREE, { full: 3 * DEGREE, zero: 45 * DEGREE });

const EXAMPLES: Record<string, number> = {
  direction: value('direction', target(front, right(20)), front),
  roll: value('roll', target(front), front, { kind: 'roll', angle: 12 * DEGREE }),
  size: value('size', target(front, flat), front, flat, { kind: 'zoom', factor: 2 }),
  placement: value('placement', target(front, flat), front, flat, { kind: 'pan', dx: 150, dy: 0 }),
  visibility: value('visibility', target({ kind: 'show', parts: ['lid'], state: 'hidden' }), { kind: 'show', parts: ['lid', 'knob'], state: 'hidden' }),
  fill: value('fill', frame, front, flat, { kind: 'fit', what: 'all', margin: 0.1 }),
  margin: value('margin', frame, front, flat, { kind: 'fit', what: 'all', margin: 0.1 }, { kind: 'pan', dx: 50, dy: 0 }),
  sectionOffset: value('sectionOffset', cut, level(0.53)),
  sectionOverlap: value('sectionOverlap', cut, level(1.1)),
  orbitPath: orbitPath(arc(Math.PI / 2, 0.1), arc(Math.PI / 2)),
  orbitWorst: orbitWorst(arc(Math.PI / 2, 0.1), arc(Math.PI / 2)),
  orbitSweep: orbitSweep(arc(Math.PI / 2), arc(Math.PI)),
  pointsFor: off24,
  score: scoreOf([
    { points: off24, startPoints: 0, weight: 4, must: false },
    { points: 1, startPoints: 0.5, weight: 2, must: false },
  ]),
};

describe('docs/scoring.md', () => {
  it('has the table of the criteria as they are', () => {
    expect(withTable(text)).toBe(text);
  });

  const rows = [...text.matchAll(/^\| `(\w+)` \| [^|]+ \| (-?[\d.]+) \|$/gm)].map((m) => [m[1] as string, m[2] as string] as const);

  it('has an example for each that is computed here, and none besides', () => {
    expect(rows.map(([id]) => id).sort()).toEqual(Object.keys(EXAMPLES).sort());
  });

  it.each(rows)('the example of %s is %s', (id, shown) => {
    expect((EXAMPLES[id] as number).toFixed(4)).toBe(shown);
  });
});
