import { type ReactNode, useEffect, useState } from 'react';

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

/** A number that may be typed freely; it is taken when it is one and in range. */
export function NumberField({
  label,
  value,
  onChange,
  min = 0,
  max = 1e6,
  unit,
  hideLabel = false,
}: {
  readonly label: string;
  readonly value: number;
  readonly onChange: (value: number) => void;
  readonly min?: number;
  readonly max?: number;
  readonly unit?: string;
  readonly hideLabel?: boolean;
}) {
  const [text, setText] = useState(String(value));
  useEffect(() => setText((known) => (Number(known.replace(',', '.')) === value ? known : String(value))), [value]);
  const typed = Number(text.replace(',', '.'));
  const bad = text.trim() === '' || !Number.isFinite(typed) || typed < min || typed > max;
  return (
    <label className="flex items-center gap-1.5">
      <span className={hideLabel ? 'sr-only' : 'text-sm'}>{label}</span>
      <input
        className={`field !w-16 !px-2 !py-1 text-right font-mono text-sm ${bad ? '!border-signal border-2' : ''}`}
        inputMode="decimal"
        value={text}
        aria-invalid={bad}
        title={bad ? `A number from ${min} to ${max}` : undefined}
        onChange={(e) => {
          setText(e.target.value);
          const next = Number(e.target.value.replace(',', '.'));
          if (e.target.value.trim() !== '' && Number.isFinite(next) && next >= min && next <= max) onChange(next);
        }}
      />
      {unit && <span className="text-ink-soft text-sm">{unit}</span>}
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
