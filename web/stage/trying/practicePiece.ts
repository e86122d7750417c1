import { boxes } from '@core/geometry';
import type { Pick } from '@core/input';
import { defaultHome } from '@core/model';
import { prepareMesh } from '@web/workers/prepareMesh';

/** A small open pavilion with a lamp, in metres: no two of its sides look alike, and one can stand in it. */
const mesh = boxes([
  { id: 'Plinth', min: [-4, -4, 0], max: [4, 4, 0.4] },
  { id: 'Post, front left', min: [-3, -3, 0.4], max: [-2.5, -2.5, 4] },
  { id: 'Post, front right', min: [2.5, -3, 0.4], max: [3, -2.5, 4] },
  { id: 'Post, back right', min: [2.5, 2.5, 0.4], max: [3, 3, 4] },
  { id: 'Wall', min: [-3, -2, 0.4], max: [-2.8, 3, 4] },
  { id: 'Roof', min: [-3.5, -3.5, 4], max: [3.5, 3.5, 4.4] },
  { id: 'Chimney', min: [1.4, 1.2, 4.4], max: [2.4, 2.2, 6] },
  { id: 'Pedestal', min: [-0.5, -0.5, 0.4], max: [0.5, 0.5, 1.4] },
  { id: 'Lamp', min: [-0.35, -0.35, 1.4], max: [0.35, 0.35, 2.4] },
  { id: 'Step', min: [-1, -5, 0], max: [1, -4, 0.2] },
]);

/** What gestures are tried on: it tells nothing of any exercise. */
export const practicePiece = () => ({ prepared: prepareMesh(mesh), home: defaultHome(mesh) });

/** A place on the floor of the practice piece. */
export const ON_THE_FLOOR: Pick = { part: 'Plinth', point: [1.5, -1.5, 0.4], normal: [0, 0, 1], depth: 1 };
