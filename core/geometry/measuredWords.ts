import type { MeasureKind } from './features';

/** A measured value, to a hundredth of a millimetre or of a degree; from a metre on in metres. */
export function measuredWords(what: MeasureKind, value: number): string {
  if (what === 'angle') return `${((value * 180) / Math.PI).toFixed(2)}°`;
  return value < 1 ? `${(value * 1000).toFixed(2)} mm` : `${value.toFixed(5)} m`;
}
