import { FRAME_ASPECT } from '@core/view';

/** What lies over the stage or a picture is drawn in frame units: u across, -v down. */
export const FRAME_VIEW_BOX = `${-FRAME_ASPECT / 2} -0.5 ${FRAME_ASPECT} 1`;

/** A box in frame units as the place of an SVG rectangle. */
export const rectangleOf = (box: { readonly u0: number; readonly v0: number; readonly u1: number; readonly v1: number }) => ({
  x: box.u0,
  y: -box.v1,
  width: box.u1 - box.u0,
  height: box.v1 - box.v0,
});
