import type { ReactNode } from 'react';

export { NumberField } from './NumberField';

/** A heading with what belongs under it. */
export function Part({ title, children, action }: { readonly title: string; readonly children: ReactNode; readonly action?: ReactNode }) {
  return (
    <section className="border-rule border-t pt-4">
      <div className="mb-2 flex items-baseline justify-between">
        <h2 className="text-base">{title}</h2>
        {action}
      </div>
      {children}
    </section>
  );
}

export function TextField({
  label,
  value,
  onChange,
  rows = 1,
  placeholder,
  error,
}: {
  readonly label: string;
  readonly value: string;
  readonly onChange: (text: string) => void;
  readonly rows?: number;
  readonly placeholder?: string;
  readonly error?: string | undefined;
}) {
  const common = { className: 'field', value, placeholder, 'aria-invalid': Boolean(error), maxLength: rows > 1 ? 2000 : 120 } as const;
  return (
    <label className="mb-3 block">
      <span className="mb-1 block font-semibold text-sm">{label}</span>
      {rows > 1 ? (
        <textarea {...common} rows={rows} onChange={(e) => onChange(e.target.value)} />
      ) : (
        <input {...common} onChange={(e) => onChange(e.target.value)} />
      )}
      {error && (
        <span role="alert" className="mt-1 block text-signal text-sm">
          {error}
        </span>
      )}
    </label>
  );
}

export function Choice<T extends string>({
  label,
  value,
  options,
  onChange,
}: {
  readonly label: string;
  readonly value: T;
  readonly options: readonly { readonly id: T; readonly label: string }[];
  readonly onChange: (value: T) => void;
}) {
  return (
    <label className="mb-3 block">
      <span className="mb-1 block font-semibold text-sm">{label}</span>
      <select className="field" value={value} onChange={(e) => onChange(e.target.value as T)}>
        {options.map((option) => (
          <option key={option.id} value={option.id}>
            {option.label}
          </option>
        ))}
      </select>
    </label>
  );
}

export function Tick({ label, checked, onChange }: { readonly label: string; readonly checked: boolean; readonly onChange: (checked: boolean) => void }) {
  return (
    <label className="flex items-center gap-2 py-0.5">
      <input type="checkbox" className="h-4 w-4 accent-ink" checked={checked} onChange={(e) => onChange(e.target.checked)} />
      <span className="text-sm">{label}</span>
    </label>
  );
}
