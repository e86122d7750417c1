import type { GoalOf } from '@core/goals';
import { anglesOf, eyeOf } from '@core/view';
import { Tick } from '@web/ui/fields';
import type { FieldsProps } from '../goalParts';

const degrees = (angle: number): string => `${Math.round((angle * 180) / Math.PI)}°`;

export function StandHereFields({ goal, session, onChange }: FieldsProps<GoalOf<'standHere'>>) {
  const { azimuth, elevation } = anglesOf(goal.orientation);
  const set = (): void => {
    const { view } = session.getState().scene;
    onChange({ ...goal, eye: eyeOf(view), orientation: view.orientation, fovY: view.fovY });
  };
  return (
    <>
      <div className="mb-3 flex flex-wrap gap-2">
        <button type="button" className="button-main !py-2" onClick={set}>
          Set place and gaze from this view
        </button>
      </div>
      <p className="mb-2 text-ink-soft text-sm">
        Stand inside (Aids), walk there, look, then set it. Now: the eye {goal.eye[2].toFixed(2)} m over the foot of the model, {degrees(azimuth)} round,{' '}
        {degrees(elevation)} height.
      </p>
      <Tick label="The gaze must be level, verticals upright" checked={goal.level} onChange={(level) => onChange({ ...goal, level })} />
    </>
  );
}
