import type { Landmark } from '@core/exercise';

interface Props {
  readonly label: string;
  /** What stands there before one is chosen. */
  readonly words: string;
  readonly landmarks: readonly Landmark[];
  readonly onChoose: (landmark: Landmark) => void;
}

/** The named places of the model, to be taken up in a goal; nothing where there are none. */
export function LandmarkField({ label, words, landmarks, onChoose }: Props) {
  if (landmarks.length === 0) return null;
  return (
    <select
      aria-label={label}
      className="field !py-1 mb-3 text-sm"
      value=""
      onChange={(e) => {
        const found = landmarks.find(({ name }) => name === e.target.value);
        if (found) onChoose(found);
      }}
    >
      <option value="">{words}</option>
      {landmarks.map(({ name }) => (
        <option key={name}>{name}</option>
      ))}
    </select>
  );
}
