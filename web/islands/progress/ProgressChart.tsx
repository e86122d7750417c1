import type { SchemeFamily } from '@core/input';
import { FEWEST_IN_LINE } from '@web/ui/charts';
import { FilterSelect } from '@web/ui/FilterSelect';
import { FAMILY_WORDS } from '@web/ui/familyWords';
import { token } from '@web/ui/token';
import { useLook } from '@web/ui/useLook';
import { CategoryScale, Chart, Legend } from 'chart.js';
import { format } from 'date-fns';
import { useEffect, useMemo, useState } from 'react';
import { Line } from 'react-chartjs-2';

Chart.register(CategoryScale, Legend);

export interface ProgressLine {
  readonly id: string;
  readonly exerciseId: string;
  readonly title: string;
  readonly family: SchemeFamily;
  readonly score: number;
  readonly flashes: number;
  readonly seconds: number;
  readonly handedInAt: string;
}

const SHAPES: Record<SchemeFamily, 'circle' | 'rect' | 'triangle' | 'rectRot'> = { mouse: 'circle', touch: 'rectRot', keyboard: 'rect', puck: 'triangle' };
const TOKENS: Record<SchemeFamily, `--color-${string}`> = { mouse: '--color-ink', touch: '--color-signal', keyboard: '--color-sea', puck: '--color-amber' };

/** Attempts over time: points or seconds, one line a family of schemes for one exercise; all exercises as points alone. */
export function ProgressChart({ attempts }: { readonly attempts: readonly ProgressLine[] }) {
  // The chart takes its colours anew when the theme changes.
  useLook();
  const [exercise, setExercise] = useState('');
  const [what, setWhat] = useState<'score' | 'seconds'>('score');
  const [ready, setReady] = useState(false);
  useEffect(() => setReady(true), []);
  const exercises = useMemo(() => [...new Map(attempts.map((a) => [a.exerciseId, a.title])).entries()], [attempts]);
  const shown = attempts.filter((a) => !exercise || a.exerciseId === exercise);
  const families = [...new Set(shown.map((a) => a.family))];
  if (!ready) return null;
  const ink = token('--color-ink');
  const rule = token('--color-rule');
  return (
    <section aria-labelledby="over-time" className="card p-5">
      <div className="mb-3 flex flex-wrap items-center justify-between gap-3">
        <h2 id="over-time" className="text-xl">
          Attempts over time
        </h2>
        <div className="flex gap-3">
          <FilterSelect label="Exercise" any="All exercises" value={exercise} options={exercises} onChange={setExercise} />
          <FilterSelect
            label="What is shown"
            value={what}
            options={[
              ['score', 'Points'],
              ['seconds', 'Seconds'],
            ]}
            onChange={(value) => setWhat(value as 'score' | 'seconds')}
          />
        </div>
      </div>
      <div className="h-64">
        <Line
          role="img"
          aria-label={`${what === 'score' ? 'Points' : 'Seconds'} of ${shown.length} attempts, oldest first; the table below has the figures`}
          data={{
            labels: shown.map((a) => format(new Date(a.handedInAt), 'd MMM')),
            datasets: families.map((family) => ({
              label: FAMILY_WORDS[family],
              data: shown.map((a) => (a.family === family ? a[what] : null)),
              borderColor: token(TOKENS[family]),
              backgroundColor: token(TOKENS[family]),
              pointStyle: SHAPES[family],
              pointRadius: 5,
              spanGaps: true,
              showLine: exercise !== '' && shown.filter((a) => a.family === family).length >= FEWEST_IN_LINE,
              clip: false as const,
              borderWidth: 2,
            })),
          }}
          options={{
            maintainAspectRatio: false,
            animation: false,
            scales: {
              x: { ticks: { color: ink, maxRotation: 0, autoSkipPadding: 16 }, grid: { color: rule } },
              y: { min: 0, ...(what === 'score' ? { max: 100 } : {}), ticks: { color: ink }, grid: { color: rule } },
            },
            plugins: {
              legend: { align: 'end', labels: { color: ink, padding: 18, usePointStyle: true, boxHeight: 7 } },
              tooltip: { callbacks: { title: (items) => shown[items[0]?.dataIndex ?? 0]?.title ?? '' } },
            },
          }}
        />
      </div>
    </section>
  );
}
