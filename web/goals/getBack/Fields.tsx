import type { GoalOf } from '@core/goals';
import type { FieldsProps } from '../goalParts';
import { PartsField } from '../PartsField';
import { LOST_WORDS } from './lostWords';

export function GetBackFields({ goal, scene, mesh, onChange }: FieldsProps<GoalOf<'getBack'>>) {
  return (
    <>
      <label className="mb-3 block text-sm">
        <span className="mb-1 block font-semibold">How one is lost</span>
        <select className="field" value={goal.lost} onChange={(e) => onChange({ ...goal, lost: e.target.value as typeof goal.lost })}>
          {Object.entries(LOST_WORDS).map(([lost, words]) => (
            <option key={lost} value={lost}>
              {words}
            </option>
          ))}
        </select>
      </label>
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
