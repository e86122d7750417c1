import { type Mesh, partName } from '@core/geometry';
import { Chip } from '@web/ui/Chip';

interface Props {
  readonly label: string;
  readonly none: string;
  readonly parts: readonly string[];
  readonly mesh: Mesh | null;
  /** What is picked on the stage. */
  readonly picked: readonly string[];
  readonly onChange: (parts: string[]) => void;
}

/** Parts of the model, chosen by picking on the stage or from the list. */
export function PartsField({ label, none, parts, mesh, picked, onChange }: Props) {
  const add = (ids: readonly string[]): void => onChange([...new Set([...parts, ...ids])]);
  const indent = (id: string): string => '\u2003'.repeat(id.split('/').length - 1);
  return (
    <fieldset className="mb-3">
      <legend className="mb-1 font-semibold text-sm">{label}</legend>
      {parts.length === 0 ? (
        <p className="text-ink-soft text-sm">{none}</p>
      ) : (
        <ul className="flex flex-wrap gap-1.5">
          {parts.map((id) => (
            <Chip key={id} words={partName(mesh?.parts ?? [], id)} label={`Leave out ${id}`} onRemove={() => onChange(parts.filter((p) => p !== id))} />
          ))}
        </ul>
      )}
      <div className="mt-2 flex gap-2">
        <button type="button" className="button !px-3 !py-1 text-sm" disabled={picked.length === 0} onClick={() => add(picked)}>
          Add what is picked
        </button>
        <select
          aria-label={`${label}: add a part`}
          className="field !py-1 min-w-0 flex-1 text-sm"
          value=""
          onChange={(e) => e.target.value && add([e.target.value])}
        >
          <option value="">From the list …</option>
          {mesh?.parts.map((part) => (
            <option key={part.id} value={part.id}>
              {indent(part.id)}
              {part.name}
            </option>
          ))}
        </select>
      </div>
    </fieldset>
  );
}
