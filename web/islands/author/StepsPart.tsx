import { kindOf } from '@core/goals';
import { Part } from '@web/ui/fields';
import { ArrowDown, ArrowUp, Plus, Trash2 } from 'lucide-react';
import { useStore } from 'zustand';
import { type DraftStore, presentStep } from './draftStore';

interface Props {
  readonly store: DraftStore;
  readonly onAdd: () => void;
  /** Told of a step that was removed, by its number. */
  readonly onRemoved: (number: number) => void;
}

/** The list of steps: which one is worked on, in what order they come. */
export function StepsPart({ store, onAdd, onRemoved }: Props) {
  const state = useStore(store);
  const { steps } = state.draft;
  const index = steps.indexOf(presentStep(state));
  return (
    <Part
      title="Steps"
      action={
        <button type="button" className="button-quiet text-sm" onClick={onAdd}>
          <Plus size={15} aria-hidden="true" /> Add a step
        </button>
      }
    >
      <ol className="space-y-1">
        {steps.map((s, i) => (
          <li key={s.id}>
            <button
              type="button"
              aria-current={i === index ? 'step' : undefined}
              onClick={() => store.choose(i)}
              className={`flex w-full items-baseline gap-3 rounded-lg px-3 py-1.5 text-left ${i === index ? 'bg-ink text-paper' : 'hover:bg-bar'}`}
            >
              <span className="font-mono text-sm">{i + 1}</span>
              <span className="flex-1 truncate">{s.brief || kindOf(s.goal).label}</span>
            </button>
          </li>
        ))}
      </ol>
      {steps.length > 1 && (
        <div className="mt-2 flex gap-2">
          <button type="button" aria-label="Move the step up" className="button !px-2 !py-1" disabled={index === 0} onClick={() => store.moveStep(-1)}>
            <ArrowUp size={15} aria-hidden="true" />
          </button>
          <button
            type="button"
            aria-label="Move the step down"
            className="button !px-2 !py-1"
            disabled={index === steps.length - 1}
            onClick={() => store.moveStep(1)}
          >
            <ArrowDown size={15} aria-hidden="true" />
          </button>
          <button
            type="button"
            aria-label="Remove the step"
            className="button !px-2 !py-1"
            onClick={() => {
              store.removeStep();
              onRemoved(index + 1);
            }}
          >
            <Trash2 size={15} aria-hidden="true" />
          </button>
        </div>
      )}
    </Part>
  );
}
