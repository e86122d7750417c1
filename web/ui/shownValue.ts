import { CRITERIA, type CriterionId } from '@core/criteria';

const round = (x: number, digits: number): string => x.toFixed(digits);

/** A criterion's value in the unit that people see. */
export function shownValue(id: CriterionId, value: number | null): string {
  if (value === null) return '–';
  switch (CRITERIA[id].display) {
    case 'degrees':
      return `${round((value * 180) / Math.PI, 1)}°`;
    case 'octaves':
      // Beyond four times, so many times says more than per cent.
      return value > 2 ? `× ${round(2 ** value, value < 3.4 ? 1 : 0)}` : `± ${round((2 ** value - 1) * 100, 0)} %`;
    case 'percent':
      return `${round(value * 100, value < 0.1 ? 1 : 0)} %`;
    case 'match':
      return `${round((1 - value) * 100, 0)} %`;
    case 'yesNo':
      return value === 0 ? 'right' : 'other';
    case 'seconds':
      return `${round(value, 1)} s`;
    case 'count':
      return round(value, 0);
    default:
      return round(value, 2);
  }
}
