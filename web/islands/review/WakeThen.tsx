import { KIND_WORDS, type Scheme } from '@core/input';
import type { Replayed } from '@core/review';
import type { Fix } from '@web/stage/recorder';
import { Wake } from '@web/stage/Wake';
import { useMemo } from 'react';
import { useStore } from 'zustand';
import type { Clock } from './clock';

/** The views that the learner came through, one a gesture; a press shows the moment after it. Where the window is high enough for it. */
export function WakeThen({ replayed, clock, scheme }: { readonly replayed: Replayed; readonly clock: Clock; readonly scheme: Scheme }) {
  const { gestures, player, folding } = replayed;
  const ends = useMemo(() => [0, ...gestures.map(({ to }) => folding.toFolded(to))], [gestures, folding]);
  const fixes = useMemo<Fix[]>(
    () => [
      { view: player.at(folding.fromFolded(0)).scene.view, label: 'start' },
      ...gestures.map(({ to, kind }) => ({ view: player.at(to).scene.view, label: KIND_WORDS[kind] })),
    ],
    [gestures, player, folding],
  );
  const at = useStore(clock, (s) =>
    Math.max(
      0,
      ends.findLastIndex((end) => end <= s.at + 1e-3),
    ),
  );
  const go = (steps: number): void => {
    clock.stop();
    clock.seek(ends[at + steps] ?? 0);
  };
  return (
    <div className="hidden shrink-0 [@media(min-height:860px)]:block">
      <Wake fixes={fixes} at={at} pictureOf={null} onGo={go} enabled scheme={scheme} />
    </div>
  );
}
