import type { InputHTMLAttributes } from 'react';

interface Props extends Omit<InputHTMLAttributes<HTMLInputElement>, 'onChange' | 'className'> {
  readonly label: string;
  readonly onChange: (value: string) => void;
  /** What is wrong with it, in words; stands under it. */
  readonly error?: string | null;
}

/** An input with its name above it, and what is wrong with it beneath. */
export function LabelledInput({ label, onChange, error = null, ...input }: Props) {
  return (
    <label className="block">
      <span className="mb-1 block font-semibold">{label}</span>
      <input aria-invalid={error !== null} {...input} className="field" onChange={(e) => onChange(e.target.value)} />
      {error !== null && (
        <span role="alert" className="mt-1 block text-signal text-sm">
          {error}
        </span>
      )}
    </label>
  );
}
