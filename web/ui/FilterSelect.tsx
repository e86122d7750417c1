interface Props {
  /** For a screen reader. */
  readonly label: string;
  readonly value: string;
  /** What stands there while nothing is chosen; left out: something always is. */
  readonly any?: string;
  readonly options: readonly (readonly [value: string, words: string])[];
  readonly onChange: (value: string) => void;
  readonly className?: string;
}

/** Chooses what of a list or a chart is shown; its words say what it is for. */
export function FilterSelect({ label, value, any, options, onChange, className = '!w-auto' }: Props) {
  return (
    <select aria-label={label} className={`field !py-1 print:hidden ${className}`} value={value} onChange={(e) => onChange(e.target.value)}>
      {any !== undefined && <option value="">{any}</option>}
      {options.map(([id, words]) => (
        <option key={id} value={id}>
          {words}
        </option>
      ))}
    </select>
  );
}
