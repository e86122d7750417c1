import { referenceAt } from '@core/criteria';
import type { GoalOf } from '@core/goals';
import type { Vec3 } from '@core/math';
import type { View } from '@core/view';
import type { Recorder } from '@web/stage/recorder';
import { useEffect, useRef, useState } from 'react';

export type OrbitPath = GoalOf<'followOrbit'>['path'];
const MOST = 3600;

export interface Recording {
  readonly recording: boolean;
  readonly start: () => void;
  /** Ends the recording and gives what was done; null when nothing moved. */
  readonly stop: () => { path: OrbitPath; pivot: Vec3 } | null;
  readonly replay: (goal: GoalOf<'followOrbit'>, show: (view: View) => void) => void;
}

/** Records the views of a session while its instructor moves, and plays a path again. */
export function useRecording(session: Recorder | null): Recording {
  const [recording, setRecording] = useState(false);
  const taken = useRef<{ t: number; view: View }[]>([]);
  const end = useRef<() => void>(() => {});
  const frame = useRef(0);
  useEffect(
    () => () => {
      end.current();
      cancelAnimationFrame(frame.current);
    },
    [],
  );

  return {
    recording,
    start() {
      if (!session) return;
      taken.current = [{ t: session.time(), view: session.getState().scene.view }];
      end.current = session.subscribe((state, before) => {
        if (state.scene.view !== before.scene.view && taken.current.length < MOST) taken.current.push({ t: session.time(), view: state.scene.view });
      });
      setRecording(true);
    },
    stop() {
      end.current();
      setRecording(false);
      // The rest before the first movement is no part of the way.
      const [first, second] = taken.current;
      if (!session || !first || !second) return null;
      const from = second.t - 0.05;
      const path = taken.current.map((entry, i) => ({ t: i === 0 ? 0 : Math.max(0, Math.round((entry.t - from) * 1e4) / 1e4), view: entry.view }));
      const orbits = session.moves.flatMap((move) => (move.t >= first.t && move.command.kind === 'orbit' && move.command.pivot ? [move.command.pivot] : []));
      return { path, pivot: orbits[0] ?? session.getState().scene.selection.point ?? first.view.target };
    },
    replay(goal, show) {
      cancelAnimationFrame(frame.current);
      const begun = performance.now();
      const last = goal.path.at(-1)?.t ?? 0;
      const tick = (): void => {
        const t = (performance.now() - begun) / 1000;
        show(referenceAt(goal, Math.min(t, last)));
        if (t < last) frame.current = requestAnimationFrame(tick);
      };
      tick();
    },
  };
}

/** A path between two times, begun anew at 0. */
export function trimmed(goal: GoalOf<'followOrbit'>, from: number, to: number): OrbitPath {
  const inner = goal.path.filter((entry) => entry.t > from && entry.t < to);
  return [{ t: from, view: referenceAt(goal, from) }, ...inner, { t: to, view: referenceAt(goal, to) }].map((entry) => ({
    ...entry,
    t: Math.round((entry.t - from) * 1e4) / 1e4,
  }));
}
