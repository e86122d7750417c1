import { addScaled, type Random, type Vec3 } from '../math';
import { centreOf, type ScoredModel } from '../model';
import { initialScene, type Scene } from '../navigation';
import { orientationFrom, type View } from '../view';

/** Where a learner may find themselves. */
export const PLACES = ['anywhere', 'rolled', 'inside', 'beneath', 'tiny', 'behind', 'outOfFrame', 'plan'] as const;

/** A start view of one of these kinds, by chance. */
export function startView(model: ScoredModel, random: Random, place: (typeof PLACES)[number]): Scene {
  const { home } = model;
  const between = (low: number, high: number): number => low + (high - low) * random.next();
  const angles = { azimuth: between(-Math.PI, Math.PI), elevation: between(-1.2, 1.4), roll: 0 };
  let distance = home.distance * 2 ** between(-1, 2);
  let target: Vec3 = centreOf(model.mesh);
  if (place === 'rolled') angles.roll = between(-Math.PI, Math.PI);
  if (place === 'beneath') angles.elevation = between(-Math.PI / 2, -0.2);
  if (place === 'plan') angles.elevation = (random.next() < 0.5 ? 1 : -1) * between(1.25, Math.PI / 2);
  if (place === 'tiny') distance = home.distance * 2 ** between(3, 8);
  if (place === 'behind') angles.azimuth = Math.PI + between(-0.4, 0.4);
  const orientation = orientationFrom(angles);
  if (place === 'inside') distance = home.distance * 2 ** between(-8, -3);
  if (place === 'outOfFrame') target = [target[0] + between(-20, 20), target[1] + between(-20, 20), target[2] + between(-20, 20)];
  const view: View = { ...home, target: addScaled(target, [between(-0.1, 0.1), between(-0.1, 0.1), between(-0.1, 0.1)], 1), orientation, distance };
  return initialScene(random.next() < 0.2 ? { ...view, projection: 'orthographic' } : view);
}
