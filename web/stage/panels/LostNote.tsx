import { type Scheme, shortcutFor } from '@core/input';
import type { Vec3 } from '@core/math';
import { isLost as isTooSmallOrOut } from '@core/measures';
import type { Command, Scene } from '@core/navigation';
import { FRAME_ASPECT, project } from '@core/view';
import { useKeyLabels } from '@web/ui/keyLabels';
import { useEffect, useState } from 'react';
import type { Picker } from '../probing/picking';

const REST_MS = 350;
const GRID = [-0.4, -0.2, 0, 0.2, 0.4] as const;

/** Whether nothing of the model is in the frame, or so little that it cannot be found: no corner of its hull, and nothing under a grid of points. */
export function isLost(scene: Scene, hull: readonly Vec3[], pick: Picker): boolean {
  // A speck counts as lost as well: less than 4 % of the frame both ways.
  if (isTooSmallOrOut(scene.view, hull)) return true;
  for (const point of hull) {
    const p = project(scene.view, point, FRAME_ASPECT);
    if ((p.depth > 0 || scene.view.projection === 'orthographic') && Math.abs(p.u) <= FRAME_ASPECT / 2 && Math.abs(p.v) <= 0.5) return false;
  }
  return GRID.every((u) => GRID.every((v) => pick(scene, u * FRAME_ASPECT, v) === null));
}

interface Props {
  readonly scene: Scene;
  readonly hull: readonly Vec3[];
  readonly pick: Picker;
  readonly scheme: Scheme;
  readonly onCommand: (command: Command) => void;
}

/** When nothing of the model is in view: says so, and shows the way back. */
export function LostNote({ scene, hull, pick, scheme, onCommand }: Props) {
  const [lost, setLost] = useState(false);
  const labels = useKeyLabels();
  useEffect(() => {
    // Only once the hand rests: on the way somewhere nobody is lost.
    const timer = setTimeout(() => setLost(isLost(scene, hull, pick)), REST_MS);
    return () => clearTimeout(timer);
  }, [scene, hull, pick]);
  if (!lost) return null;
  const way = (command: Command, words: string) => {
    const shortcut = shortcutFor(scheme, { kind: 'command', command }, labels);
    return (
      <button type="button" className="button" onClick={() => onCommand(command)}>
        {words} {shortcut && <span className="kbd">{shortcut}</span>}
      </button>
    );
  };
  return (
    <div role="status" className="absolute inset-x-0 top-1/3 mx-auto w-fit rounded-xl border-2 border-ink bg-card p-5 text-center shadow-lg" data-testid="lost">
      <p className="font-bold font-display text-lg">The model is out of view, or too small to see.</p>
      <div className="mt-3 flex justify-center gap-3">
        {way({ kind: 'fit', what: 'all' }, 'Fit all')}
        {way({ kind: 'home' }, 'Home')}
      </div>
    </div>
  );
}
