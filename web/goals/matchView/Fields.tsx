import type { GoalOf } from '@core/goals';
import { asTarget } from '../asTarget';
import type { FieldsProps } from '../goalParts';
import { PartsField } from '../PartsField';

export function MatchViewFields({ goal, scene, mesh, session, onChange }: FieldsProps<GoalOf<'matchView'>>) {
  return (
    <>
      <div className="mb-3 flex flex-wrap gap-2">
        <button type="button" className="button-main !py-2" onClick={() => onChange({ ...goal, target: asTarget(session.getState().scene) })}>
          Set target from this view
        </button>
      </div>
      <p className="mb-3 text-ink-soft text-sm">The target keeps the view, the cut, what is hidden and the drawing style.</p>
      <PartsField
        label="Subject: what size and place look at"
        none="The whole model"
        parts={goal.subject}
        mesh={mesh}
        picked={scene.selection.parts}
        onChange={(subject) => onChange({ ...goal, subject })}
      />
    </>
  );
}
