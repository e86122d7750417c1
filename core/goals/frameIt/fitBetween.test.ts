import { describe, expect, it } from 'vitest';
import { randomFrom } from '../../math';
import { fillOf, framingOf, marginError } from '../../measures';
import { contextFor, subjectOf } from '../../model';
import { apply, type Scene } from '../../navigation';
import { GOALS } from '../../tests/goals';
import { crate, start } from '../../tests/practice';
import { PLACES, startView } from '../../tests/startViews';
import { frameItTask } from './task';

const context = contextFor(crate, start);

describe.each(GOALS.frameIt.map((goal, i) => ({ i, goal })))('a fit in frame $i', ({ goal }) => {
  it('fits the subject to the inner lines, from anywhere', () => {
    for (let i = 0; i < 60; i++) {
      const scene = startView(crate, randomFrom(900 + i), PLACES[i % PLACES.length] as (typeof PLACES)[number]);
      const meant = frameItTask.meant?.(goal, { kind: 'fit', what: i % 2 ? 'all' : 'selection' }, scene, crate);
      const end = (meant?.commands ?? []).reduce((at: Scene, command) => apply(at, command, context), scene);
      const framing = framingOf(end.view, subjectOf(crate.mesh, goal.subject));
      if (!framing) throw new Error('lost');
      expect(marginError(framing, goal.margins), String(i)).toBeLessThan(1e-3);
      expect(fillOf(framing, goal.margins), String(i)).toBeCloseTo(1, 3);
    }
  });
});

it('no other command means anything else', () => {
  const [goal] = GOALS.frameIt;
  if (goal) expect(frameItTask.meant?.(goal, { kind: 'home' }, start, crate)).toBeNull();
});
