import { type Mesh, partName } from '@core/geometry';
import { X } from 'lucide-react';

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
            <li key={id} className="flex items-center gap-1 rounded-full bg-bar py-0.5 pr-1 pl-3 text-sm">
              {partName(mesh?.parts ?? [], id)}
              <button
                type="button"
                aria-label={`Leave out ${id}`}
                className="grid h-5 w-5 place-items-center rounded-full hover:bg-card"
                onClick={() => onChange(parts.filter((p) => p !== id))}
              >
                <X size={13} aria-hidden="true" />
              </button>
            </li>
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
