import type { InputHTMLAttributes, ReactNode } from 'react';

interface Props extends Omit<InputHTMLAttributes<HTMLInputElement>, 'onChange' | 'className'> {
  readonly label: string;
  readonly onChange: (value: string) => void;
  /** What stands under the input, such as what is wrong with it. */
  readonly children?: ReactNode;
}

/** An input with its name above it. */
export function LabelledInput({ label, onChange, children, ...input }: Props) {
  return (
    <label className="block">
      <span className="mb-1 block font-semibold">{label}</span>
      <input {...input} className="field" onChange={(e) => onChange(e.target.value)} />
      {children}
    </label>
  );
}
