import type { Pace } from './reference';
import type { ChosenReference } from './useReference';

/** How the reference is shown: its frame on the stage and its place on the dial, or a stage of its own. */
export type Shown = 'ghost' | 'beside';

interface Props {
  readonly chosen: ChosenReference;
  readonly shown: Shown;
  readonly onShown: (shown: Shown) => void;
  readonly pace: Pace;
  readonly onPace: (pace: Pace) => void;
}

/** What the attempt is laid beside, and how. */
export function ReferenceBar({ chosen: { choices, chosen, choose, error, reference }, shown, onShown, pace, onPace }: Props) {
  if (choices.length === 0) return null;
  return (
    <div className="mt-2 flex shrink-0 flex-wrap items-center gap-2 text-sm">
      <label className="flex items-center gap-2">
        Compare with
        <select className="field !w-auto !py-1 text-sm" value={chosen} onChange={(e) => choose(e.target.value)}>
          <option value="">nothing</option>
          {choices.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      </label>
      {chosen && (
        <>
          <select aria-label="How it is shown" className="field !w-auto !py-1 text-sm" value={shown} onChange={(e) => onShown(e.target.value as Shown)}>
            <option value="ghost">as a frame on the stage</option>
            <option value="beside">side by side</option>
          </select>
          <select aria-label="In step by" className="field !w-auto !py-1 text-sm" value={pace} onChange={(e) => onPace(e.target.value as Pace)}>
            <option value="share">in step by the way</option>
            <option value="time">in step by time</option>
          </select>
          {!reference && <span role="status">{error ?? 'Loading …'}</span>}
        </>
      )}
    </div>
  );
}
