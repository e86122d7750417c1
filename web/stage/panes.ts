import type { FramePoint } from '@core/input';
import { FRAME_ASPECT } from '@core/view';

/** The views of a divided stage: the free one that the attempt is about, and three that stay square. */
export const PANES = ['top', 'free', 'front', 'right'] as const;
export type PaneName = (typeof PANES)[number];
export type SquarePane = Exclude<PaneName, 'free'>;

/** A pane as shares of the frame, from its top left. */
export interface Pane {
  readonly name: PaneName;
  readonly x: number;
  readonly y: number;
  readonly size: number;
}

/** The free view alone: it fills the stage. */
export const FREE: Pane = { name: 'free', x: 0, y: 0, size: 1 };

/** What is on the stage: one pane that fills it, or four, each of the frame's own shape. */
export function panesOf(four: boolean, maximised: PaneName | null): readonly Pane[] {
  if (!four) return [FREE];
  if (maximised) return [{ name: maximised, x: 0, y: 0, size: 1 }];
  return PANES.map((name, i) => ({ name, x: (i % 2) / 2, y: Math.floor(i / 2) / 2, size: 0.5 }));
}

/** The pane at a place of the stage, shares from the top left; the first where the place is outside. */
export function paneAt(panes: readonly Pane[], x: number, y: number): Pane {
  const found = panes.find((pane) => x >= pane.x && x < pane.x + pane.size && y >= pane.y && y < pane.y + pane.size);
  return found ?? (panes[0] as Pane);
}

/** Frame point within a pane, for a place of the stage in shares from the top left; a drag may leave its pane. */
export const framePointIn = (pane: Pane, x: number, y: number): FramePoint => ({
  u: ((x - pane.x) / pane.size - 0.5) * FRAME_ASPECT,
  v: 0.5 - (y - pane.y) / pane.size,
});
