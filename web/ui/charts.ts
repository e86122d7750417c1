import { Chart, Filler, LinearScale, LineElement, PointElement, Tooltip } from 'chart.js';
import { token } from './token';

// What every chart of lines needs, in the application's own letters.
Chart.register(Filler, LinearScale, LineElement, PointElement, Tooltip);
Chart.defaults.font.family = '"Figtree Variable", system-ui, sans-serif';

/** A line is drawn through no fewer points, and only through attempts at one exercise. */
export const FEWEST_IN_LINE = 3;

/** An axis of points, 0 to 100. */
export const pointsAxis = () => ({
  min: 0,
  max: 100,
  title: { display: true, text: 'points of 100', color: token('--color-ink') },
  ticks: { color: token('--color-ink') },
  grid: { color: token('--color-rule') },
});
