/** A chart of where views look from, as one of the sky: the middle is straight above, the horizon a ring, and what is outside it lies below. */
export const CHART_SIZE = 240;
const MIDDLE = CHART_SIZE / 2;
/** Radius of the horizon, and of straight below. */
const HORIZON = 78;
const EDGE = 112;

/** Radius at a height, radians. */
export const heightRadius = (elevation: number): number => {
  const share = elevation / (Math.PI / 2);
  return share >= 0 ? HORIZON * (1 - share) : HORIZON - (EDGE - HORIZON) * share;
};

/** Front at the foot, the right side at the right. */
export const skyPlace = ({ azimuth, elevation }: { readonly azimuth: number; readonly elevation: number }): { x: number; y: number } => {
  const r = heightRadius(elevation);
  return { x: MIDDLE + r * Math.sin(azimuth), y: MIDDLE + r * Math.cos(azimuth) };
};
