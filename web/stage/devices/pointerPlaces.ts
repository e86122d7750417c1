import type { FramePoint } from '@core/input';
import type { Aids } from '../aids';
import { framePointIn, type Pane, paneAt, panesOf } from '../panes';

/** Where a device points: in which pane, and where in its frame. */
export interface Place {
  readonly at: FramePoint;
  readonly pane: Pane;
}

type Pointing = Pick<PointerEvent, 'clientX' | 'clientY'>;

export interface PointerPlaces {
  /** The pane under the pointer, and the point in it. */
  of(event: Pointing): Place;
  /** The point in one pane's frame, also when the pointer has left it. */
  within(pane: Pane, event: Pointing): FramePoint;
  /** The stage's height, pixels. */
  height(): number;
}

/** From pixels of the page to points of the stage's panes. */
export function createPointerPlaces(canvas: HTMLElement, aids: Aids): PointerPlaces {
  const shareOf = (event: Pointing): { x: number; y: number } => {
    const box = canvas.getBoundingClientRect();
    return { x: (event.clientX - box.left) / box.width, y: (event.clientY - box.top) / box.height };
  };
  return {
    of(event) {
      const { x, y } = shareOf(event);
      const { fourViews, maximised } = aids.getState();
      const pane = paneAt(panesOf(fourViews, maximised), x, y);
      return { at: framePointIn(pane, x, y), pane };
    },
    within(pane, event) {
      const { x, y } = shareOf(event);
      return framePointIn(pane, x, y);
    },
    height: () => canvas.getBoundingClientRect().height,
  };
}
