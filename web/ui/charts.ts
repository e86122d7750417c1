import { Chart, Filler, LinearScale, LineElement, PointElement, Tooltip } from 'chart.js';

// What every chart of lines needs, in the application's own letters.
Chart.register(Filler, LinearScale, LineElement, PointElement, Tooltip);
Chart.defaults.font.family = '"Figtree Variable", system-ui, sans-serif';

/** A line is drawn through no fewer points, and only through attempts at one exercise. */
export const FEWEST_IN_LINE = 3;
