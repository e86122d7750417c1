/** Places on the dial's chart, in its own units: the middle, the ring of azimuths and the arc of heights. */
export const MIDDLE = 120;
export const RING = 84;
export const ARC = 106;
export const CHART = { x: 20, y: 18, width: 216, height: 204 };
/** The arc of heights takes this share of a quarter turn each way. */
export const ARC_SHARE = 0.62;

/** Around the ring with the front at the bottom and the right side at the right, as on the model's own chart. */
export const ringPoint = (azimuth: number, r: number): { x: number; y: number } => ({ x: MIDDLE + r * Math.sin(azimuth), y: MIDDLE + r * Math.cos(azimuth) });

export const arcPoint = (elevation: number, r: number): { x: number; y: number } => {
  const a = elevation * ARC_SHARE;
  return { x: MIDDLE + r * Math.cos(a), y: MIDDLE - r * Math.sin(a) };
};

/** The arc of heights, from straight above to straight beneath. */
export const ARC_PATH = `M ${arcPoint(Math.PI / 2, ARC).x} ${arcPoint(Math.PI / 2, ARC).y} A ${ARC} ${ARC} 0 0 1 ${arcPoint(-Math.PI / 2, ARC).x} ${arcPoint(-Math.PI / 2, ARC).y}`;

/** An angle in degrees with one digit, never "-0.0". */
export const degreeWords = (a: number): string => `${((a * 180) / Math.PI).toFixed(1).replace('-0.0', '0.0')}°`;
