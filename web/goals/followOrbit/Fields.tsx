import type { GoalOf } from '@core/goals';
import { Slider } from 'radix-ui';
import { useState } from 'react';
import type { FieldsProps } from '../goalParts';
import { trimmed, useRecording } from './useRecording';

export function FollowOrbitFields({ goal, session, show, onChange }: FieldsProps<GoalOf<'followOrbit'>>) {
  const { recording, start, stop, replay } = useRecording(session);
  // Said of the line that was kept, and of no other.
  const [keptFor, setKeptFor] = useState<GoalOf<'followOrbit'>['path'] | null>(null);
  const [range, setRange] = useState<readonly [number, number] | null>(null);
  const last = goal.path.at(-1)?.t ?? 0;
  const end = (): void => {
    const made = stop();
    setKeptFor(made ? null : goal.path);
    setRange(null);
    if (made) onChange({ ...goal, ...made });
  };
  const [from, to] = range ?? [0, last];
  return (
    <>
      <div className="mb-2 flex flex-wrap gap-2">
        <button type="button" className={recording ? 'button-main !py-2' : 'button'} onClick={recording ? end : start}>
          {recording ? 'Stop recording' : 'Record orbit'}
        </button>
        <button type="button" className="button" disabled={recording} onClick={() => replay(goal, show)}>
          Play it
        </button>
      </div>
      <p className="mb-2 text-ink-soft text-sm" aria-live="polite">
        {recording
          ? 'Recording: go round the model. What you grab is the pivot.'
          : keptFor === goal.path
            ? 'Nothing moved while recording: the earlier line is kept.'
            : `The line takes ${last.toFixed(1)} s.`}
      </p>
      {!recording && last > 0.2 && (
        <div className="mb-3">
          <p className="mb-1 text-sm">
            Keep from <span className="font-mono">{from.toFixed(1)}</span> to <span className="font-mono">{to.toFixed(1)} s</span>
          </p>
          <Slider.Root
            className="relative flex h-6 w-full touch-none items-center"
            min={0}
            max={last}
            step={0.05}
            minStepsBetweenThumbs={2}
            value={[from, to]}
            onValueChange={([a = 0, b = last]) => setRange([a, b])}
          >
            <Slider.Track className="relative h-1.5 flex-1 rounded-full bg-bar">
              <Slider.Range className="absolute h-full rounded-full bg-amber" />
            </Slider.Track>
            <Slider.Thumb aria-label="Begin of the line" className="block h-5 w-5 rounded-full border-2 border-ink bg-card" />
            <Slider.Thumb aria-label="End of the line" className="block h-5 w-5 rounded-full border-2 border-ink bg-card" />
          </Slider.Root>
          <button
            type="button"
            className="button mt-2 !px-3 !py-1 text-sm"
            disabled={!range}
            onClick={() => {
              onChange({ ...goal, path: trimmed(goal, from, to) });
              setRange(null);
            }}
          >
            Trim
          </button>
        </div>
      )}
    </>
  );
}
