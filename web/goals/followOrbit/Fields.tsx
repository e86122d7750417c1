import type { GoalOf } from '@core/goals';
import { TrimSlider } from '@web/ui/TrimSlider';
import { useState } from 'react';
import type { FieldsProps } from '../goalParts';
import { trimmed, useRecording } from './useRecording';

export function FollowOrbitFields({ goal, session, show, onChange }: FieldsProps<GoalOf<'followOrbit'>>) {
  const { recording, start, stop, replay } = useRecording(session);
  // Said of the line that was kept, and of no other.
  const [keptFor, setKeptFor] = useState<GoalOf<'followOrbit'>['path'] | null>(null);
  const last = goal.path.at(-1)?.t ?? 0;
  const end = (): void => {
    const made = stop();
    setKeptFor(made ? null : goal.path);
    if (made) onChange({ ...goal, ...made });
  };
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
      {!recording && last > 0.2 && <TrimSlider seconds={last} what="line" onTrim={(from, to) => onChange({ ...goal, path: trimmed(goal, from, to) })} />}
    </>
  );
}
