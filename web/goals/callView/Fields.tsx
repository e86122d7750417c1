import type { Call } from '@core/criteria';
import type { GoalOf } from '@core/goals';
import { STANDARD_NAMES, viewWords } from '@core/view';
import { useState } from 'react';
import { callWords } from '../callWords';
import type { FieldsProps } from '../goalParts';
import { LandmarkField } from '../LandmarkField';
import { NumberedList } from '../NumberedList';

export function CallViewFields({ goal, scene, landmarks, onChange }: FieldsProps<GoalOf<'callView'>>) {
  const [name, setName] = useState('');
  const add = (call: Call): void => onChange({ ...goal, calls: [...goal.calls, call] });
  const { point, normal } = scene.selection;
  return (
    <>
      <NumberedList
        what="call"
        words={goal.calls.map(callWords)}
        onRemove={(number) => onChange({ ...goal, calls: goal.calls.filter((_, n) => n !== number) })}
      />
      <div className="mb-2 flex gap-2">
        <select
          aria-label="Add a standard view"
          className="field !py-1 text-sm"
          value=""
          onChange={(e) => e.target.value && add({ kind: 'standard', name: e.target.value as (typeof STANDARD_NAMES)[number] })}
        >
          <option value="">Call a standard view …</option>
          {STANDARD_NAMES.map((n) => (
            <option key={n} value={n}>
              {viewWords(n)}
            </option>
          ))}
        </select>
        <button type="button" className="button !px-3 !py-1 text-sm" onClick={() => add({ kind: 'opposite' })}>
          The opposite
        </button>
      </div>
      <div className="mb-3 flex gap-2">
        <input
          aria-label="Name of the face"
          className="field !py-1 text-sm"
          placeholder="square on the …"
          value={name}
          maxLength={80}
          onChange={(e) => setName(e.target.value)}
        />
        <button
          type="button"
          className="button !px-3 !py-1 text-sm"
          disabled={!point || !normal || name.trim() === ''}
          title={point ? undefined : 'Click a face on the stage first'}
          onClick={() => {
            if (point && normal) add({ kind: 'face', name: name.trim(), point, normal });
            setName('');
          }}
        >
          Call the picked face
        </button>
      </div>
      <LandmarkField
        label="Call a landmark"
        words="Square on a landmark …"
        landmarks={landmarks.filter(({ kind }) => kind === 'face')}
        onChoose={({ name: known, point: at, normal: facing }) => add({ kind: 'face', name: known, point: at, normal: facing })}
      />
      <label className="flex items-center gap-2 text-sm">
        Order
        <select className="field !w-auto !py-1" value={goal.order} onChange={(e) => onChange({ ...goal, order: e.target.value as 'asGiven' | 'random' })}>
          <option value="asGiven">as listed</option>
          <option value="random">random, another each time</option>
        </select>
      </label>
    </>
  );
}
