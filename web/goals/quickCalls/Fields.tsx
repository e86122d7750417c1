import { quickWords } from '@core/advice';
import type { GoalOf } from '@core/goals';
import { CALLABLE } from '@core/goals/quickCalls/catalogue';
import { Chip } from '@web/ui/Chip';
import { NumberField, Tick } from '@web/ui/fields';
import type { FieldsProps } from '../goalParts';

/** A limit that a call begins with, seconds. */
const LIMIT = 4;

export function QuickCallsFields({ goal, onChange }: FieldsProps<GoalOf<'quickCalls'>>) {
  return (
    <>
      <ul className="mb-2 flex flex-wrap gap-1.5">
        {goal.calls.map((call, i) => (
          <Chip
            key={`${i}-${quickWords(call)}`}
            words={quickWords(call)}
            label={`Do not call ${quickWords(call)}`}
            disabled={goal.calls.length === 1}
            onRemove={() => onChange({ ...goal, calls: goal.calls.filter((_, n) => n !== i) })}
          />
        ))}
      </ul>
      <select
        aria-label="Add a call"
        className="field !py-1 mb-3 text-sm"
        value=""
        onChange={(e) => {
          const call = CALLABLE[Number(e.target.value)];
          if (call) onChange({ ...goal, calls: [...goal.calls, call] });
        }}
      >
        <option value="">Add a call …</option>
        {CALLABLE.map((call, i) => (
          <option key={quickWords(call)} value={i}>
            {quickWords(call)}
          </option>
        ))}
      </select>
      <div className="mb-2 grid grid-cols-2 gap-2">
        <NumberField label="Rounds" min={1} max={10} value={goal.rounds} onChange={(rounds) => onChange({ ...goal, rounds: Math.round(rounds) })} />
        {goal.seconds !== null && (
          <NumberField label="A call waits" unit="s" min={0.5} max={60} value={goal.seconds} onChange={(seconds) => onChange({ ...goal, seconds })} />
        )}
      </div>
      <Tick label="Calls wait only so long" checked={goal.seconds !== null} onChange={(limited) => onChange({ ...goal, seconds: limited ? LIMIT : null })} />
      <p className="mt-1 text-ink-soft text-sm">Each round calls all of them, in an order of its own.</p>
    </>
  );
}
