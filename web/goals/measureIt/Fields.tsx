import { expectedOf } from '@core/criteria';
import { type FeaturePick, measuredWords, partName } from '@core/geometry';
import type { GoalOf } from '@core/goals';
import { MOST_ASKS } from '@core/goals/measureIt/kind';
import { X } from 'lucide-react';
import { useMemo } from 'react';
import type { FieldsProps } from '../goalParts';
import { nextId } from '../nextId';

type MeasureIt = GoalOf<'measureIt'>;

const plain = ({ part, point, normal, as }: FeaturePick): FeaturePick => ({ part, point, normal, as });

/** Values that are asked for: each is measured on the stage by the author, and computed anew for whoever does it. */
export function MeasureItFields({ goal, mesh, measured, onMeasure, onChange }: FieldsProps<MeasureIt>) {
  // Found anew with the values that are asked for, not with every picture of the stage.
  const values = useMemo(() => (mesh ? goal.asks.map((one) => expectedOf(mesh, one)) : []), [mesh, goal.asks]);
  const full = goal.asks.length >= MOST_ASKS;
  const ask = (): void => {
    const [a, b] = measured?.picked ?? [];
    if (!measured || !a || !mesh) return;
    const parts = [...new Set([a, ...(b ? [b] : [])].map(({ pick }) => partName(mesh.parts, pick.part)))];
    let name = `the ${measured.what}, ${parts.join(' to ')}`.slice(0, 76);
    for (let n = 2; goal.asks.some((other) => other.name === name); n++) name = `${name.replace(/ \d+$/, '')} ${n}`;
    onChange({
      ...goal,
      asks: [...goal.asks, { id: nextId('value', goal.asks), name, what: measured.what, a: plain(a.pick), ...(b ? { b: plain(b.pick) } : {}) }],
    });
  };
  return (
    <>
      {goal.asks.length === 0 && <p className="mb-2 text-ink-soft text-sm">Nothing is asked for yet: measure it on the stage, then ask for it.</p>}
      <ul className="mb-2 space-y-1.5">
        {goal.asks.map((one, i) => {
          const value = values[i] ?? null;
          return (
            <li key={one.id} className="rounded-md bg-bar px-3 py-2 text-sm">
              <div className="flex items-center gap-2">
                <input
                  aria-label={`Name of value ${i + 1}`}
                  className="field !py-1 min-w-0 flex-1 text-sm"
                  value={one.name}
                  maxLength={80}
                  onChange={(e) => onChange({ ...goal, asks: goal.asks.map((old, n) => (n === i ? { ...old, name: e.target.value } : old)) })}
                />
                <button type="button" aria-label={`Remove value ${i + 1}`} onClick={() => onChange({ ...goal, asks: goal.asks.filter((_, n) => n !== i) })}>
                  <X size={15} aria-hidden="true" />
                </button>
              </div>
              <p className="mt-1 text-ink-soft">
                {one.what}: <span className="font-mono">{value === null ? 'not there on this model' : measuredWords(one.what, value)}</span>
              </p>
            </li>
          );
        })}
      </ul>
      <div className="mb-2 flex flex-wrap gap-2">
        <button type="button" className="button !py-1 text-sm" onClick={onMeasure}>
          Measure on the stage
        </button>
        <button type="button" className="button-main !py-2" disabled={!measured || full} onClick={ask}>
          {measured ? `Ask for the ${measured.what} of ${measuredWords(measured.what, measured.value)}` : 'Ask for what is measured'}
        </button>
      </div>
      <p className="text-ink-soft text-sm">
        {full ? `${MOST_ASKS} values are the most that one step takes.` : 'What the value should be is computed from your picks.'}
      </p>
    </>
  );
}
