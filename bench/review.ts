import { apply, contextFor, EMPTY_HISTORY, type Move, type Scene, type Trace } from '@core';
import { replayedOf } from '@core/review';
import { GOALS } from '../core/tests/goals';
import { attempt, crate, exerciseOf, start } from '../core/tests/practice';
import { pair } from './pair';

/** Ten minutes at a hundred moves a second, a gesture a second. */
const MOVES = 60_000;
const RATE = 100;

function longTrace(): Trace {
  const moves = Array.from(
    { length: MOVES },
    (_, i): Move => ({
      t: 1 + i / RATE,
      command: { kind: 'orbit', dx: i % 400 < 200 ? 1.1 : -1.1, dy: i % 300 < 150 ? 0.4 : -0.4, mode: 'turntable' },
      gesture: { id: Math.floor(i / RATE), device: 'mouse', binding: 'left drag' },
    }),
  );
  const end = 2 + MOVES / RATE;
  return {
    ...attempt([]),
    moves,
    events: [
      { t: 0, kind: 'begin' },
      { t: end, kind: 'handIn' },
    ],
    end,
  };
}

/** A ten-minute attempt is opened, and jumped about in. */
export async function reviewBenches(): Promise<void> {
  const trace = longTrace();
  const { steps } = exerciseOf(...GOALS.matchView.slice(0, 1));
  const context = contextFor(crate, start);
  let sink = 0;
  await pair('review: open an attempt of 60,000 moves', '1.5 s', () => (sink += replayedOf(steps, crate, trace).gestures.length), {
    name: 'the moves done one after the other, nothing kept',
    run: () => {
      let scene: Scene = start;
      for (const { command } of trace.moves) scene = { ...apply(scene, command, context), history: EMPTY_HISTORY };
      sink += scene.view.distance;
    },
  });
  globalThis.gc?.();
  const before = process.memoryUsage().heapUsed;
  const kept = replayedOf(steps, crate, trace);
  globalThis.gc?.();
  process.stdout.write(`  kept for it: ${((process.memoryUsage().heapUsed - before) / 1e6).toFixed(0)} MB of 150\n`);
  let k = 0;
  await pair(
    'review: jump to a moment of it',
    '16 ms',
    () => {
      k = (k + 377) % 600;
      sink += kept.player.at(k + 0.005).scene.view.distance;
    },
    {
      name: 'the moves up to there done again',
      run: () => {
        k = (k + 377) % 600;
        let scene: Scene = start;
        for (const { t, command } of trace.moves) {
          if (t > k) break;
          scene = { ...apply(scene, command, context), history: EMPTY_HISTORY };
        }
        sink += scene.view.distance;
      },
    },
  );
  if (Number.isNaN(sink)) throw new Error('nothing was measured');
}
