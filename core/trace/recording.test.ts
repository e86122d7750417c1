import { describe, expect, it } from 'vitest';
import { angleBetween, backOf } from '../math';
import { contextFor } from '../model';
import { apply, type Command } from '../navigation';
import { crate, start } from '../tests/practice';
import type { View } from '../view';
import { playing, recordingOf, trimmedRecording } from './recording';
import { recordingSchema } from './recordingSchema';
import type { Move } from './traceSchema';

const angleBetweenViews = (a: View, b: View): number => angleBetween(backOf(a.orientation), backOf(b.orientation));
const context = contextFor(crate, start);
const drag = (t: number, id: number, command: Command): Move => ({ t, command, gesture: { id, device: 'mouse', binding: 'right drag' } });
const orbit = (dx: number): Command => ({ kind: 'orbit', dx, dy: 1, mode: 'turntable', pivot: [0, 0, 0.5] });
/** A drag of a second at 100 commands a second, a rest of a second, then a key. */
const done: Move[] = [
  ...Array.from({ length: 100 }, (_, i) => drag(5 + i / 100, 1, orbit(2))),
  { t: 7, command: { kind: 'standard', name: 'front' }, gesture: { id: 2, device: 'keyboard', binding: '1' } },
];
const made = () => {
  const recording = recordingOf(start, done);
  if (!recording) throw new Error('a recording');
  return recording;
};

describe('a recording', () => {
  it('begins shortly before the first movement, is thinned, and ends as what was done ended', () => {
    const recording = made();
    expect(recordingSchema.safeParse(recording).success).toBe(true);
    expect(recording.moves[0]?.t).toBe(0.4);
    expect(recording.seconds).toBeCloseTo(3.2);
    expect(recording.moves.length).toBeLessThan(40);
    const at = playing(recording, context);
    expect(at(0)).toMatchObject({ move: -1, scene: { view: start.view } });
    // All of the drag, however it was thinned.
    const dragged = done.slice(0, 100).reduce((scene, { command }) => apply(scene, command, context), start);
    expect(angleBetweenViews(at(1.9).scene.view, dragged.view)).toBeLessThan(1e-9);
    const end = done.reduce((scene, { command }) => apply(scene, command, context), start);
    expect(at(recording.seconds)).toMatchObject({ move: recording.moves.length - 1, scene: { view: { orientation: end.view.orientation } } });
    expect(recordingOf(start, [])).toBeNull();
  });

  it('is drawn smoothly inside a gesture, and held between two', () => {
    const at = playing(made(), context);
    const steps = Array.from({ length: 60 }, (_, i) => angleBetweenViews(at(0.45 + i / 100).scene.view, at(0.46 + i / 100).scene.view));
    expect(Math.max(...steps)).toBeLessThan(3 * Math.min(...steps));
    expect(at(1.6).scene.view).toBe(at(2.2).scene.view);
  });

  it('trimmed it shows the same between its ends', () => {
    const recording = made();
    const cut = trimmedRecording(recording, context, 1, 2.6);
    if (!cut) throw new Error('a recording');
    expect(cut.seconds).toBeCloseTo(1.6);
    const [whole, part] = [playing(recording, context), playing(cut, context)];
    for (const t of [0.2, 0.5, 1, 1.5]) expect(angleBetweenViews(whole(1 + t).scene.view, part(t).scene.view)).toBeLessThan(0.02);
    expect(trimmedRecording(recording, context, 1.6, 2)).toBeNull();
  });
});
