import { type Exercise, startsOf } from '@core/exercise';
import { MOST_STARTS } from '@core/exercise/exerciseSchema';
import type { View } from '@core/view';
import { asTarget } from '@web/goals/asTarget';
import { NumberedList } from '@web/goals/NumberedList';
import type { Recorder } from '@web/stage/recorder';
import { Choice } from '@web/ui/fields';
import { useStore } from 'zustand';
import type { DraftStore } from './draftStore';

type Variants = NonNullable<Exercise['variants']>;

const CHOICES = [
  { id: 'same', label: 'always at the start' },
  { id: 'turned', label: 'at the start, turned by chance' },
  { id: 'mirrored', label: 'at the start, mirrored or not' },
  { id: 'starts', label: 'at one of several starts' },
] as const;
type ChoiceId = (typeof CHOICES)[number]['id'];

interface Props {
  readonly store: DraftStore;
  readonly session: Recorder | null;
  readonly show: (view: View) => void;
}

/** Where attempts begin. */
export function StartPart({ store, session, show }: Props) {
  const { draft } = useStore(store);
  const { variants } = draft;
  const more = variants?.kind === 'starts' ? variants.starts : [];
  const choose = (id: ChoiceId): void => {
    const here = session && asTarget(session.getState().scene);
    const made: Variants | undefined = id === 'same' ? undefined : id === 'starts' ? { kind: id, starts: here ? [here] : [draft.start] } : { kind: id };
    store.set({ variants: made });
  };
  return (
    <>
      <button
        type="button"
        className="button mt-2 !py-1.5 text-sm"
        disabled={!session}
        onClick={() => session && store.set({ start: asTarget(session.getState().scene) })}
      >
        Set start from this view
      </button>
      <div className="mt-3">
        <Choice<ChoiceId> label="Attempts begin" value={variants?.kind ?? 'same'} options={CHOICES} onChange={choose} />
      </div>
      {more.length > 0 && (
        <>
          <NumberedList
            what="start"
            words={more.map((_, i) => `Start ${i + 2}`)}
            onShow={(i) => {
              const start = startsOf(draft)[i + 1];
              if (start) show(start.view);
            }}
            onRemove={(i) => store.set({ variants: { kind: 'starts', starts: more.filter((_, n) => n !== i) } })}
          />
          <button
            type="button"
            className="button-quiet text-sm"
            disabled={!session || more.length >= MOST_STARTS}
            onClick={() => session && store.set({ variants: { kind: 'starts', starts: [...more, asTarget(session.getState().scene)] } })}
          >
            Add this view as a start
          </button>
        </>
      )}
    </>
  );
}
