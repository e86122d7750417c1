import type { GoalOf } from '@core/goals';
import { NumberField, Tick } from '@web/ui/fields';
import type { FieldsProps } from '../goalParts';
import { LandmarkField } from '../LandmarkField';
import { PartsField } from '../PartsField';

/** Near enough is asked for in per cent of the frame's height. */
const PERCENT = 100;

export function SeeAllFields({ goal, scene, mesh, landmarks, onChange }: FieldsProps<GoalOf<'seeAll'>>) {
  return (
    <>
      <PartsField
        label="What must be seen"
        none="The whole model"
        parts={goal.parts}
        mesh={mesh}
        picked={scene.selection.parts}
        onChange={(parts) => onChange({ ...goal, parts })}
      />
      <LandmarkField
        label="A landmark that must be seen"
        words="A landmark …"
        landmarks={landmarks.filter(({ part }) => !goal.parts.includes(part))}
        onChoose={({ part }) => onChange({ ...goal, parts: [...goal.parts, part] })}
      />
      <div className="mb-2">
        <NumberField
          label="Large enough: from"
          unit="% of the frame’s height"
          min={0}
          max={2000}
          value={Math.round(goal.near * PERCENT)}
          onChange={(near) => onChange({ ...goal, near: near / PERCENT })}
        />
      </div>
      <Tick label="Tell which side is left" checked={goal.sides} onChange={(sides) => onChange({ ...goal, sides })} />
      <p className="mt-1 text-ink-soft text-sm">What no view from outside shows is left out when you publish.</p>
    </>
  );
}
