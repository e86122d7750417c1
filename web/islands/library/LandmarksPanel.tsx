import { LANDMARK_KINDS, type Landmark } from '@core/exercise/landmark';
import { type Part, partName } from '@core/geometry';
import type { Scene } from '@core/navigation';
import type { Removed } from '@server/repositories/removal';
import type { LandmarkSeen } from '@server/services/landmarks';
import { call, wordsOf } from '@web/ui/api';
import { LastRemoved } from '@web/ui/LastRemoved';
import { MapPin, Trash2 } from 'lucide-react';
import { type FormEvent, useState } from 'react';

interface Props {
  readonly modelId: string;
  readonly parts: readonly Part[];
  readonly landmarks: readonly LandmarkSeen[];
  /** What was removed last, and can be put back. */
  readonly removed: Removed | null;
  /** What is picked on the stage. */
  readonly selection: Scene['selection'];
  readonly onChanged: (landmarks: readonly LandmarkSeen[], removed: Removed | null) => void;
  readonly onPick: (landmark: LandmarkSeen) => void;
}

const KIND_WORDS: Record<Landmark['kind'], string> = { part: 'the part', face: 'the face', point: 'the point' };

/** Names places of a model: pick one on the stage, say what is meant, give it a name. */
export function LandmarksPanel({ modelId, parts, landmarks, removed, selection, onChanged, onPick }: Props) {
  const [name, setName] = useState('');
  const [kind, setKind] = useState<Landmark['kind']>('part');
  const [error, setError] = useState<string | null>(null);
  const part = selection.parts[0];
  const { point, normal } = selection;
  const doing = async (work: () => Promise<unknown>): Promise<boolean> => {
    setError(null);
    try {
      await work();
      const found = await call('landmarks', { params: { id: modelId } });
      onChanged(found.landmarks, found.removed);
      return true;
    } catch (problem) {
      setError(wordsOf(problem));
      return false;
    }
  };
  const mark = (event: FormEvent): void => {
    event.preventDefault();
    if (!part || !point || !normal) {
      setError('Pick the place on the stage first.');
      return;
    }
    void doing(async () => {
      await call('markLandmark', { params: { id: modelId }, body: { name, kind, part, point, normal } });
      setName('');
    });
  };
  return (
    <section aria-label="Landmarks" className="border-rule border-t pt-3">
      <h2 className="text-sm">Landmarks</h2>
      <ul className="mt-1 space-y-1">
        {landmarks.map((landmark) => (
          <li key={landmark.id} className="flex items-center gap-1.5">
            <button type="button" aria-label={`Show ${landmark.name}`} className="rounded p-1 hover:bg-bar" onClick={() => onPick(landmark)}>
              <MapPin size={14} aria-hidden="true" />
            </button>
            <input
              className="field min-w-0 flex-1 !py-0.5 text-sm"
              aria-label={`Name of ${landmark.name}`}
              maxLength={60}
              defaultValue={landmark.name}
              onBlur={(e) =>
                e.target.value !== landmark.name && doing(() => call('renameLandmark', { params: { id: landmark.id }, body: { name: e.target.value } }))
              }
            />
            <button
              type="button"
              className="rounded p-1 hover:bg-bar"
              aria-label={`Remove ${landmark.name}`}
              onClick={() => void doing(() => call('removeLandmark', { params: { id: landmark.id } }))}
            >
              <Trash2 size={14} aria-hidden="true" />
            </button>
          </li>
        ))}
      </ul>
      <LastRemoved removed={removed} onPutBack={({ id }) => doing(() => call('putLandmarkBack', { params: { id } }))} />
      <form className="mt-2" onSubmit={mark}>
        <p className="text-ink-soft text-sm">
          {part ? (
            <>
              Picked on the stage: <strong className="text-ink">{partName(parts, part)}</strong>
            </>
          ) : (
            'Pick a place on the stage to name it.'
          )}
        </p>
        {part && (
          <>
            <fieldset className="mt-1 flex gap-3 text-sm">
              <legend className="sr-only">What is named</legend>
              {LANDMARK_KINDS.map((each) => (
                <label key={each} className="flex items-center gap-1">
                  <input type="radio" name="kind" className="accent-ink" checked={kind === each} onChange={() => setKind(each)} /> {KIND_WORDS[each]}
                </label>
              ))}
            </fieldset>
            <div className="mt-1.5 flex gap-1.5">
              <input
                className="field min-w-0 !py-1 text-sm"
                aria-label="Name of the landmark"
                placeholder="Its name"
                maxLength={60}
                value={name}
                onChange={(e) => setName(e.target.value)}
              />
              <button type="submit" className="button !px-3 !py-1 text-sm" disabled={name.trim() === '' || !point}>
                Mark
              </button>
            </div>
            {!point && <p className="mt-1 text-sm">Click the place on the stage itself: the tree names a part, but no place on it.</p>}
          </>
        )}
      </form>
      {error && (
        <p role="alert" className="mt-1 font-semibold text-signal text-sm">
          {error}
        </p>
      )}
    </section>
  );
}
