import { FEWEST, type LevelShown, type LevelState, levelShown, updateLevel } from '@core/progress';
import { pointsAxis } from '@web/ui/charts';
import { shownPoints } from '@web/ui/points';
import { token } from '@web/ui/token';
import { useLook } from '@web/ui/useLook';
import { format } from 'date-fns';
import { Line } from 'react-chartjs-2';
import type { SkillTry } from './SkillOpened';

const DAY = 86_400_000;
/** The level after each attempt, as it was then; null where it was told by too few. */
function levelsAfter(tries: readonly SkillTry[]): (LevelShown | null)[] {
  let state: LevelState | null = null;
  return tries.map(({ score, at, difficulty, helped }) => {
    state = updateLevel(state, { score, at: at / DAY, difficulty, helped });
    return state.count < FEWEST ? null : levelShown(state, at / DAY);
  });
}

/** The level of a skill over the days with its interval, and every attempt as a point. */
export function LevelChart({ tries }: { readonly tries: readonly SkillTry[] }) {
  // The chart takes its colours anew when the theme changes.
  useLook();
  const levels = levelsAfter(tries);
  const [ink, rule, sea, signal] = [token('--color-ink'), token('--color-rule'), token('--color-sea'), token('--color-signal')];
  const along = (of: (level: LevelShown) => number) => tries.map(({ at }, i) => ({ x: at, y: levels[i] ? of(levels[i] as LevelShown) : null }));
  const band = { pointRadius: 0, borderWidth: 0, backgroundColor: `${sea}33` };
  return (
    <div>
      <div className="h-64">
        <Line
          role="img"
          aria-label={`Level over the days, from ${tries.length} attempts; the list beside it has the figures`}
          data={{
            datasets: [
              { label: 'low', data: along(({ low }) => low), ...band },
              { label: 'high', data: along(({ high }) => high), fill: '-1', ...band },
              { label: 'Level', data: along(({ level }) => level), borderColor: sea, backgroundColor: sea, borderWidth: 2.5, pointRadius: 0 },
              {
                label: 'Attempts',
                data: tries.map(({ at, score }) => ({ x: at, y: score })),
                showLine: false,
                pointStyle: 'circle',
                pointRadius: 4,
                borderColor: signal,
                backgroundColor: `${signal}66`,
                clip: false as const,
              },
            ],
          }}
          options={{
            maintainAspectRatio: false,
            animation: false,
            scales: {
              x: {
                type: 'linear',
                ticks: { color: ink, maxRotation: 0, maxTicksLimit: 6, callback: (at) => format(Number(at), 'd MMM') },
                grid: { color: rule },
              },
              y: pointsAxis(),
            },
            plugins: {
              legend: { display: false },
              tooltip: {
                filter: ({ datasetIndex }) => datasetIndex >= 2,
                callbacks: {
                  title: (items) => (items[0] ? format(Number(items[0].parsed.x), 'd MMM, HH:mm') : ''),
                  label: ({ datasetIndex, parsed, dataIndex }) =>
                    datasetIndex === 3 ? `${tries[dataIndex]?.title}: ${shownPoints(Number(parsed.y))}` : `Level ${shownPoints(Number(parsed.y))}`,
                },
              },
            },
          }}
        />
      </div>
      <p className="mt-1 text-ink-soft text-xs">
        Points are attempts, at whatever exercise; the line is the level, drawn from three attempts on, and in four of five cases it lies within the band.
      </p>
    </div>
  );
}
