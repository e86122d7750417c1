import { zodResolver } from '@hookform/resolvers/zod';
import { useId } from 'react';
import { useForm } from 'react-hook-form';
import { z } from 'zod';

interface Props {
  readonly label: string;
  readonly value: number;
  /** Told when the field is left or Enter is pressed, and what stands there is a number in range. */
  readonly onChange: (value: number) => void;
  readonly min?: number;
  readonly max?: number;
  readonly unit?: string;
  readonly hideLabel?: boolean;
  /** What is wrong with the number that stands there, beyond its range. */
  readonly error?: string | undefined;
}

/** A number as people type it: a comma will do. */
const typed = (min: number, max: number) =>
  z.object({
    number: z
      .string()
      .trim()
      .min(1, 'type a number')
      .transform((text) => Number(text.replace(',', '.')))
      .pipe(z.number('type a number').min(min, `at least ${min}`).max(max, `at most ${max}`)),
  });

/** A number that may be typed freely; it is taken when the field is left or Enter is pressed. */
export function NumberField({ label, value, onChange, min = 0, max = 1e6, unit, hideLabel = false, error }: Props) {
  const { register, handleSubmit, formState } = useForm<{ number: string }, unknown, { number: number }>({
    resolver: zodResolver(typed(min, max)),
    values: { number: String(value) },
    resetOptions: { keepErrors: false },
  });
  const take = handleSubmit(({ number }) => {
    if (number !== value) onChange(number);
  });
  const id = useId();
  const words = formState.errors.number?.message ?? error;
  return (
    <div>
      <label className="flex items-center gap-1.5">
        <span className={hideLabel ? 'sr-only' : 'text-sm'}>{label}</span>
        <input
          className={`field !w-16 !px-2 !py-1 text-right font-mono text-sm ${words ? '!border-signal border-2' : ''}`}
          inputMode="decimal"
          aria-invalid={Boolean(words)}
          aria-describedby={words ? id : undefined}
          {...register('number', { onBlur: () => void take() })}
          onKeyDown={(event) => {
            if (event.key !== 'Enter') return;
            event.preventDefault();
            void take();
          }}
        />
        {unit && <span className="text-ink-soft text-sm">{unit}</span>}
      </label>
      {words && (
        <span id={id} role="alert" className="block max-w-24 text-signal text-xs">
          {words}
        </span>
      )}
    </div>
  );
}
