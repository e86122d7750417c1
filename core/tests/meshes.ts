import { boxes, type Mesh } from '../geometry';

export { boxes };

/** A box about the origin, for tests. */
export const cube = (half = 1): Mesh => boxes([{ id: 'cube', min: [-half, -half, -half], max: [half, half, half] }]);
