import type { Command, Scene } from '@core/navigation';
import { useEffect, useState } from 'react';

/** The cut in figures: its distance can be typed, it can be flipped and taken away. */
export function SectionPanel({ scene, onCommand }: { readonly scene: Scene; readonly onCommand: (command: Command) => void }) {
  const { section } = scene;
  const [text, setText] = useState('');
  const mm = section ? Math.round(section.offset * 1000) : 0;
  useEffect(() => setText(String(mm)), [mm]);
  if (!section) return null;
  const wanted = Number(text.replace(',', '.'));
  const bad = text.trim() === '' || !Number.isFinite(wanted) || Math.abs(wanted) > 1e8;
  const apply = (): void => {
    if (!bad && wanted !== mm) onCommand({ kind: 'shiftSection', metres: wanted / 1000 - section.offset });
  };
  return (
    <fieldset className="card p-3">
      <legend className="px-1 font-semibold text-sm">The cut</legend>
      <label className="flex items-center gap-2 text-sm">
        <span>Distance</span>
        <input
          className="field !w-24 !py-1 text-right font-mono"
          value={text}
          inputMode="decimal"
          aria-invalid={bad}
          onChange={(e) => setText(e.target.value)}
          onBlur={apply}
          onKeyDown={(e) => e.key === 'Enter' && apply()}
        />
        <span>mm</span>
      </label>
      {bad && (
        <p role="alert" className="mt-1 text-signal text-sm">
          Write a number of millimetres.
        </p>
      )}
      <div className="mt-2 flex gap-2">
        <button type="button" className="button !px-3 !py-1 text-sm" onClick={() => onCommand({ kind: 'flipSection' })}>
          Flip
        </button>
        <button type="button" className="button !px-3 !py-1 text-sm" onClick={() => onCommand({ kind: 'section', plane: null })}>
          Take away
        </button>
      </div>
    </fieldset>
  );
}
