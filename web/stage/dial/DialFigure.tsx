import { useState } from 'react';
import { degreeWords } from './dialPlaces';

/** Degrees written by a person; null when it is no angle. */
export function degreesWritten(text: string): number | null {
  const degrees = Number(text.replace('°', '').trim().replace(',', '.'));
  return text.trim() !== '' && Number.isFinite(degrees) && Math.abs(degrees) <= 360 ? degrees : null;
}

/** One figure of the dial: tells an angle, and takes one that is typed. */
export function DialFigure({ name, value, onSet }: { readonly name: string; readonly value: number; readonly onSet: ((angle: number) => void) | null }) {
  const [text, setText] = useState<string | null>(null);
  const shown = degreeWords(value);
  const wanted = text === null ? null : degreesWritten(text);
  const bad = text !== null && wanted === null;
  const apply = (): void => {
    if (wanted !== null) onSet?.((wanted * Math.PI) / 180);
    setText(null);
  };
  return (
    <label className="flex flex-col-reverse text-center">
      <span className="text-ink-soft text-xs">{name}</span>
      <input
        className={`w-full rounded bg-transparent text-center font-mono text-sm tabular-nums outline-none focus:bg-card ${bad ? 'text-signal' : ''}`}
        value={text ?? shown}
        readOnly={!onSet}
        aria-invalid={bad}
        inputMode="decimal"
        data-figure={name}
        onFocus={(event) => event.currentTarget.select()}
        onChange={(event) => setText(event.target.value)}
        onBlur={() => setText(null)}
        onKeyDown={(event) => {
          if (event.key === 'Enter' && !bad) apply();
          if (event.key === 'Escape') setText(null);
        }}
      />
    </label>
  );
}
