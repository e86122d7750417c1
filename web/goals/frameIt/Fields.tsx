import type { GoalOf } from '@core/goals';
import { NumberField } from '@web/ui/fields';
import type { FieldsProps } from '../goalParts';
import { PartsField } from '../PartsField';

export function FrameItFields({ goal, scene, mesh, onChange }: FieldsProps<GoalOf<'frameIt'>>) {
  const set = (side: keyof typeof goal.margins) => (value: number) => onChange({ ...goal, margins: { ...goal.margins, [side]: value / 100 } });
  return (
    <>
      <PartsField
        label="Subject: what must fill the frame"
        none="The whole model"
        parts={goal.subject}
        mesh={mesh}
        picked={scene.selection.parts}
        onChange={(subject) => onChange({ ...goal, subject })}
      />
      <p className="mb-1 font-semibold text-sm">Free space: drag the inner lines, or type</p>
      <div className="mb-3 grid grid-cols-2 gap-2">
        {(['left', 'right', 'top', 'bottom'] as const).map((side) => (
          <NumberField key={side} label={side} unit="%" max={90} value={Math.round(goal.margins[side] * 100)} onChange={set(side)} />
        ))}
      </div>
    </>
  );
}
