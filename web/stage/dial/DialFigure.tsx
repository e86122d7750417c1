import { say } from '@web/ui/say';
import { useState } from 'react';
import { degreeWords } from './dialPlaces';

/** Degrees written by a person, -180 to 180: whole turns are left out, so that 400 is 40; null when it is no angle. */
export function degreesWritten(text: string): number | null {
  const degrees = Number(text.replace('°', '').trim().replace(',', '.'));
  if (text.trim() === '' || !Number.isFinite(degrees)) return null;
  const turned = degrees % 360;
  return turned > 180 ? turned - 360 : turned < -180 ? turned + 360 : turned;
}

/** One figure of the dial: tells an angle, null none yet, and takes one that is typed. */
export function DialFigure({ name, value, onSet }: { readonly name: string; readonly value: number | null; readonly onSet: ((angle: number) => void) | null }) {
  const [text, setText] = useState<string | null>(null);
  const shown = value === null ? '' : degreeWords(value);
  const wanted = text === null ? null : degreesWritten(text);
  const bad = text !== null && wanted === null;
  const apply = (): void => {
    if (text === null) return;
    setText(null);
    if (wanted !== null) onSet?.((wanted * Math.PI) / 180);
    else if (text.trim() !== '') say(`“${text.trim()}” is no angle: write degrees, such as 40.`);
  };
  return (
    <label className="flex flex-col-reverse text-center">
      <span className="text-ink-soft text-xs">{name}</span>
      <input
        className={`w-full rounded bg-transparent text-center font-mono text-sm tabular-nums outline-none focus:bg-card focus-visible:ring-2 focus-visible:ring-sea ${bad ? 'text-signal' : ''}`}
        value={text ?? shown}
        readOnly={!onSet}
        aria-invalid={bad}
        inputMode="decimal"
        data-figure={name}
        onFocus={(event) => event.currentTarget.select()}
        onChange={(event) => setText(event.target.value)}
        onBlur={apply}
        onKeyDown={(event) => {
          if (event.key === 'Enter') apply();
          if (event.key === 'Escape') setText(null);
        }}
      />
    </label>
  );
}
