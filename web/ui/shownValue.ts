import { sizeOff } from '@core/advice';
import { CRITERIA, type CriterionId, type KeptAdvice, toldDegrees, toldPercent } from '@core/criteria';

const round = (x: number, digits: number): string => x.toFixed(digits);

/** How many times too large an advice says that something is; null where it says nothing of size. */
export const tooLargeIn = (advice: KeptAdvice): number | null => (advice.code === 'resize' || advice.code === 'fillLines' ? 1 / advice.figures.factor : null);

/**
 * A criterion's value in the unit that people see, rounded as sentences round it. `tooLarge`: of a size, as many times too
 * large as its advice tells it.
 */
export function shownValue(id: CriterionId, value: number | null, tooLarge: number | null = null): string {
  if (value === null) return '–';
  if (tooLarge !== null) return tooLarge === 1 ? 'right' : sizeOff(tooLarge).replace(' times', ' ×');
  switch (CRITERIA[id].display) {
    case 'degrees':
      return `${toldDegrees(value)}°`;
    case 'octaves':
      return value > 2 ? `${round(2 ** value, value < 3.4 ? 1 : 0)} × off` : `${toldPercent(2 ** value - 1)} % off`;
    case 'percent':
      return `${toldPercent(value)} %`;
    case 'match':
      return `${round((1 - value) * 100, 0)} %`;
    case 'yesNo':
      return value === 0 ? 'right' : 'other';
    case 'seconds':
      return `${round(value, 1)} s`;
    case 'metres':
      return `${value.toFixed(value < 1 ? 2 : 1)} m`;
    case 'count':
      return round(value, 0);
    default:
      return round(value, 2);
  }
}
