import { type RedactedGoal, taskOf } from '@core/goals';
import type { StageHandle } from '@web/stage/useStage';
import { useEffect } from 'react';

/** Stands the objects of a goal on a stage beside the model, where they are drawn and met by whatever points. */
export function usePlaced(handle: StageHandle | null, goal: RedactedGoal | undefined): void {
  useEffect(() => {
    const items = (goal && taskOf(goal).placed?.(goal)) ?? [];
    if (!handle || items.length === 0) return;
    handle.renderer.setPlaced(items);
    handle.probes.setPlaced(items);
    return () => {
      handle.renderer.setPlaced([]);
      handle.probes.setPlaced([]);
    };
  }, [handle, goal]);
}
