import { CRITERIA, type Criterion, type CriterionId } from '@core/criteria';
import { criterionSchema } from '@core/criteria/criterionSchema';
import { criteriaFor, type Goal } from '@core/goals';
import { NumberField } from '@web/ui/NumberField';
import { useState } from 'react';

const DEGREES = 180 / Math.PI;

/** A criterion's tolerance as people set it, to a tenth of a per cent or a hundredth of anything else, and back. */
export function toShown(id: CriterionId, value: number): number {
  switch (CRITERIA[id].display) {
    case 'degrees':
      return Math.round(value * DEGREES * 100) / 100;
    case 'octaves':
      return Math.round((2 ** value - 1) * 1000) / 10;
    case 'percent':
    case 'match':
      return Math.round(value * 1000) / 10;
    default:
      return Math.round(value * 100) / 100;
  }
}
export function fromShown(id: CriterionId, value: number): number {
  switch (CRITERIA[id].display) {
    case 'degrees':
      return value / DEGREES;
    case 'octaves':
      return Math.log2(1 + value / 100);
    case 'percent':
    case 'match':
      return value / 100;
    default:
      return value;
  }
}
const UNITS = { degrees: '°', octaves: '%', percent: '%', match: '% off', seconds: 's', metres: 'm', count: '', number: '', yesNo: '' } as const;

/** What earns full marks and what none, as it is printed. */
export function limitsWords({ id, full, zero }: Criterion): string {
  const { display } = CRITERIA[id];
  if (display === 'yesNo') return 'right or not';
  const shown = (value: number): string => `${toShown(id, value)}${UNITS[display] === '' || UNITS[display] === '°' ? '' : ' '}${UNITS[display]}`;
  return `full up to ${shown(full)}, none from ${shown(zero)}`;
}

interface RowProps {
  readonly criterion: Criterion;
  readonly onChange: (criterion: Criterion) => void;
}

/** One criterion. A change that its schema refuses stays in its field, with what is wrong, and the others are left alone. */
function Row({ criterion, onChange }: RowProps) {
  const { id } = criterion;
  const { label, display } = CRITERIA[id];
  /** What stands in a field and does not fit the other yet: it is taken with the next change that makes both fit. */
  const [pending, setPending] = useState<{ change: Partial<Criterion>; field: 'full' | 'zero' } | null>(null);
  const take = (field: 'full' | 'zero', value: number): void => {
    const change = { ...pending?.change, [field]: value };
    const made = { ...criterion, ...change };
    const fits = criterionSchema.safeParse(made).success;
    setPending(fits ? null : { change, field });
    if (fits) onChange(made);
  };
  const errorAt = (field: 'full' | 'zero'): string | undefined =>
    pending?.field === field ? (field === 'full' ? 'more than “none from”' : 'less than “full up to”') : undefined;
  return (
    <tr className={`border-rule border-t align-top ${criterion.weight === 0 ? 'text-ink-soft' : ''}`}>
      <td className="py-2 pr-2 text-sm">{label}</td>
      {display === 'yesNo' ? (
        <td colSpan={2} className="py-2 text-ink-soft text-sm">
          right or not
        </td>
      ) : (
        (['full', 'zero'] as const).map((field) => (
          <td key={field} className="py-1">
            <NumberField
              hideLabel
              label={`${label}: ${field === 'full' ? 'full marks up to' : 'no marks from'}`}
              value={toShown(id, criterion[field])}
              unit={UNITS[display]}
              error={errorAt(field)}
              onChange={(v) => take(field, fromShown(id, v))}
            />
          </td>
        ))
      )}
      <td className="py-1">
        <NumberField hideLabel label={`${label}: weight`} value={criterion.weight} max={100} onChange={(weight) => onChange({ ...criterion, weight })} />
      </td>
      <td className="py-2 text-center">
        <input
          type="checkbox"
          aria-label={`${label} must be met`}
          className="h-4 w-4 accent-ink"
          checked={criterion.must ?? false}
          onChange={(e) => onChange({ ...criterion, must: e.target.checked })}
        />
      </td>
    </tr>
  );
}

interface Props {
  readonly goal: Goal;
  readonly criteria: readonly Criterion[];
  readonly onChange: (criteria: Criterion[]) => void;
}

/** What is judged: full marks up to the first number, none from the second, and how much it weighs. */
export function CriteriaTable({ goal, criteria, onChange }: Props) {
  const others = criteriaFor(goal).filter(({ id }) => !criteria.some((c) => c.id === id));
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
          {criteria.map((criterion) => (
            <Row key={criterion.id} criterion={criterion} onChange={(made) => onChange(criteria.map((c) => (c.id === made.id ? made : c)))} />
          ))}
        </tbody>
      </table>
      {others.length > 0 && (
        <select
          aria-label="Add a criterion"
          className="field mt-2 !py-1 text-sm"
          value=""
          onChange={(e) => {
            const added = others.find(({ id }) => id === e.target.value);
            if (added) onChange([...criteria, added]);
          }}
        >
          <option value="">Add a criterion …</option>
          {others.map(({ id }) => (
            <option key={id} value={id}>
              {CRITERIA[id].label}
            </option>
          ))}
        </select>
      )}
      <p className="mt-1 text-ink-soft text-xs">Weight 0 is measured and shown, but not counted.</p>
    </div>
  );
}
