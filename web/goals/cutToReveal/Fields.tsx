import type { GoalOf } from '@core/goals';
import type { FieldsProps } from '../goalParts';
import { PartsField } from '../PartsField';

export function CutToRevealFields({ goal, scene, mesh, session, onChange }: FieldsProps<GoalOf<'cutToReveal'>>) {
  return (
    <>
      <div className="mb-2 flex flex-wrap gap-2">
        <button
          type="button"
          className="button-main !py-2"
          disabled={!scene.section}
          onClick={() => onChange({ ...goal, plane: session.getState().scene.section })}
        >
          Set section
        </button>
        {goal.plane && (
          <button type="button" className="button" onClick={() => onChange({ ...goal, plane: null })}>
            Any cut that shows the parts
          </button>
        )}
      </div>
      <p className="mb-2 text-ink-soft text-sm">
        {goal.plane
          ? `Target: cut at ${Math.round(goal.plane.offset * 1000)} mm along its normal.`
          : scene.section
            ? 'The cut on the stage can be the target.'
            : 'Point at a flat face and press K: the cut lies there. Then drag its arrow.'}
      </p>
      <PartsField
        label="Parts that must show"
        none="None"
        parts={goal.reveal}
        mesh={mesh}
        picked={scene.selection.parts}
        onChange={(reveal) => onChange({ ...goal, reveal })}
      />
    </>
  );
}
