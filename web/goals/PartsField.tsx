import { type Mesh, partName } from '@core/geometry';
import { Chip } from '@web/ui/Chip';
import { PartSelect } from './PartSelect';

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
        <PartSelect label={`${label}: add a part`} words="From the list …" mesh={mesh} onChoose={(part) => add([part])} />
      </div>
    </fieldset>
  );
}
