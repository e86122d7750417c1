import type { GoalOf } from '@core/goals';
import { Choice } from '@web/ui/fields';
import type { FieldsProps } from '../goalParts';
import { PartsField } from '../PartsField';
import { LOST } from './lostWords';

export function GetBackFields({ goal, scene, mesh, onChange }: FieldsProps<GoalOf<'getBack'>>) {
  return (
    <>
      <Choice label="How one is lost" value={goal.lost} options={LOST} onChange={(lost) => onChange({ ...goal, lost })} />
      <PartsField
        label="Subject: what must come back"
        none="The whole model"
        parts={goal.subject}
        mesh={mesh}
        picked={scene.selection.parts}
        onChange={(subject) => onChange({ ...goal, subject })}
      />
      <p className="mb-2 text-ink-soft text-sm">The step begins in a view that each attempt draws anew. Back is: whole, upright and in sight for a second.</p>
    </>
  );
}
