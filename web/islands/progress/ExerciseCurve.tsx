import { FEWEST_FOR_CURVE, THRESHOLD } from '@core/progress';
import { FEWEST_IN_LINE, pointsAxis } from '@web/ui/charts';
import { shownPoints } from '@web/ui/points';
import { token } from '@web/ui/token';
import { useLook } from '@web/ui/useLook';
import { format } from 'date-fns';
import { Line } from 'react-chartjs-2';
import type { SkillTry } from './SkillOpened';
import { useForecast } from './useForecast';

const tries = (n: number): string => `${n} more ${n === 1 ? 'try' : 'tries'}`;

/** "About 3 more tries to 80 (1 to 6)". */
function forecastWords(count: number, told: ReturnType<typeof useForecast>): string {
  if (count < FEWEST_FOR_CURVE) return `From ${FEWEST_FOR_CURVE} attempts on it is told how many more it may take to ${THRESHOLD}.`;
  if (!told) return 'The attempts follow no learning curve yet: no number can be told.';
  const { likely, low, high } = told;
  if (high === 0) return `The curve has reached ${THRESHOLD}.`;
  if (high === Number.POSITIVE_INFINITY)
    return low === 0 ? `It may have reached ${THRESHOLD}, or may level off before.` : `At least ${tries(low)} to ${THRESHOLD}; it may level off before.`;
  return `About ${tries(likely)} to ${THRESHOLD} (${low} to ${high}).`;
}

/** Every attempt at one exercise with one family of schemes, in their order, with the learning curve where there is one. */
export function ExerciseCurve({ tries: made }: { readonly tries: readonly SkillTry[] }) {
  // The chart takes its colours anew when the theme changes.
  useLook();
  const scores = made.map(({ score }) => score);
  const told = useForecast(scores);
  const [ink, sea, amber] = [token('--color-ink'), token('--color-sea'), token('--color-amber')];
  return (
    <div>
      <div className="h-64">
        <Line
          role="img"
          aria-label={`Points of ${made.length} attempts at ${made[0]?.title}, in their order: ${scores.map(shownPoints).join(', ')}`}
          data={{
            datasets: [
              {
                label: 'Points',
                data: scores.map((y, i) => ({ x: i + 1, y })),
                showLine: made.length >= FEWEST_IN_LINE,
                borderColor: ink,
                backgroundColor: ink,
                borderWidth: 2,
                pointRadius: 4,
                clip: false as const,
              },
              ...(told
                ? [{ label: 'Curve', data: told.curve.map((y, i) => ({ x: i + 1, y })), borderColor: sea, borderDash: [6, 4], borderWidth: 2, pointRadius: 0 }]
                : []),
              {
                label: `${THRESHOLD}`,
                data: [
                  { x: 0, y: THRESHOLD },
                  { x: made.length + 1, y: THRESHOLD },
                ],
                borderColor: amber,
                borderWidth: 1.5,
                borderDash: [2, 3],
                pointRadius: 0,
              },
            ],
          }}
          options={{
            maintainAspectRatio: false,
            animation: false,
            scales: {
              x: {
                type: 'linear',
                min: 0,
                max: made.length + 1,
                title: { display: true, text: 'attempt', color: ink },
                ticks: { color: ink, stepSize: 1, callback: (n) => (Number(n) >= 1 && Number(n) <= made.length ? n : '') },
                grid: { display: false },
              },
              y: pointsAxis(),
            },
            plugins: {
              legend: { display: false },
              tooltip: {
                filter: ({ datasetIndex }) => datasetIndex === 0,
                callbacks: {
                  title: (items) => (items[0] ? format(made[items[0].dataIndex]?.at ?? 0, 'd MMM, HH:mm') : ''),
                  label: ({ dataIndex }) => `${shownPoints(scores[dataIndex] ?? 0)} points in ${Math.round(made[dataIndex]?.seconds ?? 0)} s`,
                },
              },
            },
          }}
        />
      </div>
      <p className="mt-1 font-semibold" data-testid="forecast">
        {forecastWords(made.length, told)}
      </p>
      <p className="text-ink-soft text-xs">The dotted line is {THRESHOLD} points; dashed is the learning curve, where the attempts follow one.</p>
    </div>
  );
}
