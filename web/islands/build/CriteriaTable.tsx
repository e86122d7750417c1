import { type Criterion, type CriterionId, criterionInfo, type Goal, measuredFor } from '@core/exercise';
import { NumberField } from './fields';

const DEGREES = 180 / Math.PI;

/** A criterion's tolerance as people set it, and back. */
export function toShown(id: CriterionId, value: number): number {
  const { shown } = criterionInfo(id);
  const number =
    shown === 'degrees' ? value * DEGREES : shown === 'octaves' ? (2 ** value - 1) * 100 : shown === 'percent' || shown === 'match' ? value * 100 : value;
  return Math.round(number * 100) / 100;
}
export function fromShown(id: CriterionId, value: number): number {
  const { shown } = criterionInfo(id);
  return shown === 'degrees'
    ? value / DEGREES
    : shown === 'octaves'
      ? Math.log2(1 + value / 100)
      : shown === 'percent' || shown === 'match'
        ? value / 100
        : value;
}
const unitOf = (id: CriterionId): string =>
  ({ degrees: '°', octaves: '%', percent: '%', match: '% off', seconds: 's', count: '', number: '', yesNo: '' })[criterionInfo(id).shown];

interface Props {
  readonly goal: Goal;
  readonly criteria: readonly Criterion[];
  readonly onChange: (criteria: Criterion[]) => void;
}

/** What is judged: full marks up to the first number, none from the second, and how much it weighs. */
export function CriteriaTable({ goal, criteria, onChange }: Props) {
  const set = (id: CriterionId, change: Partial<Criterion>): void => onChange(criteria.map((c) => (c.id === id ? { ...c, ...change } : c)));
  const others = measuredFor(goal).filter((id) => !criteria.some((c) => c.id === id));
  return (
    <div>
      <table className="w-full text-left">
        <thead>
          <tr className="text-ink-soft text-xs">
            <th className="font-normal">Judged by</th>
            <th className="font-normal">full up to</th>
            <th className="font-normal">none from</th>
            <th className="font-normal">weight</th>
            <th className="font-normal">must</th>
          </tr>
        </thead>
        <tbody>
          {criteria.map((c) => {
            const { label, shown } = criterionInfo(c.id);
            return (
              <tr key={c.id} className={`border-rule border-t ${c.weight === 0 ? 'text-ink-soft' : ''}`}>
                <td className="py-1 pr-2 text-sm">{label}</td>
                {shown === 'yesNo' ? (
                  <td colSpan={2} className="text-ink-soft text-sm">
                    right or not
                  </td>
                ) : (
                  <>
                    <td>
                      <NumberField
                        hideLabel
                        label={`${label}: full marks up to`}
                        value={toShown(c.id, c.full)}
                        unit={unitOf(c.id)}
                        onChange={(v) => set(c.id, { full: fromShown(c.id, v), zero: Math.max(fromShown(c.id, v), c.zero) })}
                      />
                    </td>
                    <td>
                      <NumberField
                        hideLabel
                        label={`${label}: no marks from`}
                        value={toShown(c.id, c.zero)}
                        unit={unitOf(c.id)}
                        onChange={(v) => set(c.id, { zero: fromShown(c.id, v), full: Math.min(fromShown(c.id, v), c.full) })}
                      />
                    </td>
                  </>
                )}
                <td>
                  <NumberField hideLabel label={`${label}: weight`} value={c.weight} max={100} onChange={(weight) => set(c.id, { weight })} />
                </td>
                <td className="text-center">
                  <input
                    type="checkbox"
                    aria-label={`${label} must be met`}
                    className="h-4 w-4 accent-ink"
                    checked={c.must ?? false}
                    onChange={(e) => set(c.id, { must: e.target.checked })}
                  />
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      {others.length > 0 && (
        <select
          aria-label="Add a criterion"
          className="field mt-2 !py-1 text-sm"
          value=""
          onChange={(e) => e.target.value && onChange([...criteria, { id: e.target.value as CriterionId, full: 0, zero: 1, weight: 1 }])}
        >
          <option value="">Add a criterion …</option>
          {others.map((id) => (
            <option key={id} value={id}>
              {criterionInfo(id).label}
            </option>
          ))}
        </select>
      )}
      <p className="mt-1 text-ink-soft text-xs">Weight 0 is measured and shown, but not counted.</p>
    </div>
  );
}
