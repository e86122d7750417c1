import type { Mesh } from '@core/geometry';

interface Props {
  readonly label: string;
  /** What stands there before one is chosen. */
  readonly words: string;
  readonly mesh: Mesh | null;
  readonly disabled?: boolean;
  readonly onChoose: (part: string) => void;
}

/** The parts of a model as a tree, to choose one. */
export function PartSelect({ label, words, mesh, disabled = false, onChoose }: Props) {
  const indent = (id: string): string => '\u2003'.repeat(id.split('/').length - 1);
  return (
    <select
      aria-label={label}
      className="field !py-1 min-w-0 flex-1 text-sm"
      value=""
      disabled={disabled}
      onChange={(e) => e.target.value && onChoose(e.target.value)}
    >
      <option value="">{words}</option>
      {mesh?.parts.map((part) => (
        <option key={part.id} value={part.id}>
          {indent(part.id)}
          {part.name}
        </option>
      ))}
    </select>
  );
}
