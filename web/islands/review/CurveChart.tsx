import { CRITERIA, type Criterion, type CriterionId } from '@core/criteria';
import type { TraineeExercise } from '@core/exercise';
import type { Folding } from '@core/review';
import '@web/ui/charts';
import { shownValue } from '@web/ui/shownValue';
import { token } from '@web/ui/token';
import { useLook } from '@web/ui/useLook';
import type { ChartOptions, Plugin } from 'chart.js';
import { memo } from 'react';
import { Line } from 'react-chartjs-2';
import { clockWords } from './clock';
import type { Samples } from './useLookedThrough';

/** Room beside the chart's area, pixels: the lanes beneath stand under it. */
export const INSET = { left: 46, right: 10 } as const;
/** Values are drawn up to so many times what earns nothing. */
const HIGHEST = 1.5;

/** Lines are told apart by colour, dashes and points. */
const LINES = [
  { colour: '--color-ink', dash: [], point: 'circle' },
  { colour: '--color-signal', dash: [6, 3], point: 'rect' },
  { colour: '--color-sea', dash: [2, 3], point: 'triangle' },
  { colour: '--color-amber', dash: [8, 3, 2, 3], point: 'rectRot' },
  { colour: '--color-ink-soft', dash: [4, 4], point: 'star' },
  { colour: '--color-ink', dash: [1, 4], point: 'triangle' },
  { colour: '--color-signal', dash: [], point: 'rectRot' },
  { colour: '--color-sea', dash: [10, 4], point: 'circle' },
  { colour: '--color-amber', dash: [], point: 'rect' },
] as const;
export type LineLook = (typeof LINES)[number];

/** The look of a criterion's line, by its place among those that there are. */
export const lookOf = (place: number): LineLook => LINES[place % LINES.length] as LineLook;

/** A piece of a line, for the legend. */
export function LineSample({ look }: { readonly look: LineLook }) {
  return (
    <svg className="h-2 w-6" viewBox="0 0 24 8" aria-hidden="true">
      <path d="M0 4H24" stroke={`var(${look.colour})`} strokeWidth="2.5" strokeDasharray={look.dash.join(' ') || undefined} />
      {look.point === 'circle' && <circle cx="12" cy="4" r="3" fill={`var(${look.colour})`} />}
      {look.point === 'rect' && <rect x="9" y="1" width="6" height="6" fill={`var(${look.colour})`} />}
      {look.point === 'triangle' && <path d="M12 0.5l3.5 6.5h-7z" fill={`var(${look.colour})`} />}
      {look.point === 'rectRot' && <path d="M12 0l4 4-4 4-4-4z" fill={`var(${look.colour})`} />}
    </svg>
  );
}

/** How far from full marks, 0, to none, 1. */
function shareOf({ full, zero }: Criterion, value: number): number {
  if (zero === full) return value <= full ? 0 : 1;
  return Math.min(HIGHEST, Math.max(0, (value - full) / (zero - full)));
}

interface Props {
  readonly steps: TraineeExercise['steps'];
  readonly samples: readonly (readonly Samples[])[];
  readonly folding: Folding;
  /** All criteria that have a line, and the one that is shown alone; empty: all. */
  readonly ids: readonly CriterionId[];
  readonly only: CriterionId | '';
  /** Seconds without pauses that are shown. */
  readonly range: readonly [number, number];
}

/** What lies within the tolerance, and between full marks and none. */
const BANDS: Plugin<'line'> = {
  id: 'tolerance',
  beforeDatasetsDraw({ ctx, chartArea, scales }) {
    const y = (value: number): number => scales.y?.getPixelForValue(value) ?? 0;
    ctx.save();
    ctx.globalAlpha = 0.14;
    ctx.fillStyle = token('--color-sea');
    ctx.fillRect(chartArea.left, y(1), chartArea.width, y(0) - y(1));
    ctx.globalAlpha = 0.35;
    ctx.fillRect(chartArea.left, y(0), chartArea.width, chartArea.bottom - y(0));
    ctx.restore();
  },
};
const PLUGINS = [BANDS];

/** How far each criterion was from what was asked, over time; the shaded band is what earns something. */
export const CurveChart = memo(function CurveChart({ steps, samples, folding, ids: all, only, range }: Props) {
  // The chart takes its colours anew when the theme changes.
  useLook();
  const ids = all.filter((id) => only === '' || id === only);
  const datasets = ids.map((id) => {
    const line = lookOf(all.indexOf(id));
    const data = steps.flatMap((step, at) => {
      const criterion = step.criteria.find((c) => c.id === id);
      const list = samples[at] ?? [];
      if (!criterion || list.length === 0) return [];
      // A gap between steps: what is judged begins anew.
      return [
        ...list.flatMap((each) => {
          const found = each[id];
          return found ? [{ x: folding.toFolded(found.t), y: found.value === null ? Number.NaN : shareOf(criterion, found.value), value: found.value }] : [];
        }),
        { x: folding.toFolded(list.at(-1)?.[id]?.t ?? 0), y: Number.NaN, value: null },
      ];
    });
    return {
      label: CRITERIA[id].label,
      data,
      borderColor: token(line.colour),
      backgroundColor: token(line.colour),
      borderDash: [...line.dash],
      pointStyle: line.point,
      pointRadius: data.length > 80 ? 0 : 2.5,
      pointHitRadius: 8,
      borderWidth: 2,
      clip: 0,
    };
  });
  const ink = token('--color-ink');
  const options: ChartOptions<'line'> = {
    maintainAspectRatio: false,
    animation: false,
    parsing: false,
    layout: { padding: { right: INSET.right, top: 6 } },
    scales: {
      x: { type: 'linear', min: range[0], max: range[1], display: false },
      y: {
        min: -0.12,
        max: HIGHEST,
        afterFit: (scale) => {
          scale.width = INSET.left;
        },
        afterBuildTicks: (scale) => {
          scale.ticks = [{ value: 0 }, { value: 1 }];
        },
        ticks: { color: ink, callback: (value) => (Number(value) === 0 ? 'full' : 'none') },
        grid: { color: token('--color-rule') },
      },
    },
    plugins: {
      tooltip: {
        mode: 'nearest',
        intersect: false,
        callbacks: {
          title: (items) => clockWords(items[0]?.parsed.x ?? 0),
          label: (item) => `${item.dataset.label}: ${shownValue(ids[item.datasetIndex] as CriterionId, (item.raw as { value: number | null }).value, null)}`,
        },
      },
    },
  };
  return (
    <Line
      role="img"
      aria-label={`${datasets.map(({ label }) => label).join(', ')} over time, from full marks to none; the table below has the figures`}
      data={{ datasets }}
      options={options}
      plugins={PLUGINS}
    />
  );
});
