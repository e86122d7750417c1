import type { Mesh } from '@core/geometry';
import { addScaled, type Vec3 } from '@core/math';
import { FRAME_ASPECT, project, type View } from '@core/view';
import { useMemo } from 'react';
import type { GridPlane } from '../aids';
import { gridFrame } from '../drawing/grid';
import { toPercent } from './marks';

/** A length in the unit a person would say it in. */
export function lengthWords(metres: number): string {
  const size = Math.abs(metres);
  const shown = (value: number): string => String(Number(value.toPrecision(3)));
  if (size >= 1000) return `${shown(metres / 1000)} km`;
  if (size >= 1) return `${shown(metres)} m`;
  return size >= 0.01 ? `${shown(metres * 100)} cm` : `${shown(metres * 1000)} mm`;
}

/** The letters at the ends of a grid's axes, and how far its lines are apart. */
export function GridMarks({ grid, mesh, view }: { readonly grid: GridPlane; readonly mesh: Mesh; readonly view: View }) {
  const { origin, x, y, letters, reach } = useMemo(() => gridFrame(grid, mesh), [grid, mesh]);
  const letter = (point: Vec3, text: string, colour: string) => {
    const p = project(view, point, FRAME_ASPECT);
    if (view.projection === 'perspective' && p.depth <= 0) return null;
    const at = toPercent(p);
    return (
      <span
        className="pointer-events-none absolute grid h-6 w-6 -translate-x-1/2 -translate-y-1/2 place-items-center rounded-full bg-paper font-bold text-sm"
        style={{ left: `${at.left}%`, top: `${at.top}%`, color: colour }}
      >
        {text}
      </span>
    );
  };
  return (
    <>
      {letter(addScaled(origin, x, reach[1]), letters[0], 'var(--color-signal)')}
      {letter(addScaled(origin, y, reach[3]), letters[1], 'var(--color-sea)')}
      <span className="pointer-events-none absolute right-2 bottom-2 rounded-md bg-card/90 px-2 py-0.5 text-xs" data-mark="grid">
        Grid: {lengthWords(grid.spacing)} a line
      </span>
    </>
  );
}
