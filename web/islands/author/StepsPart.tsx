import type { Step } from '@core/exercise';
import { kindOf } from '@core/goals';
import { closestCenter, DndContext, type DragEndEvent } from '@dnd-kit/core';
import { SortableContext, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { useDragSensors, useGrip } from '@web/ui/dragging';
import { Part } from '@web/ui/fields';
import { plainOf } from '@web/ui/markdown';
import { Tool } from '@web/ui/Tool';
import { ArrowDown, ArrowUp, Copy, Plus, Power, Trash2 } from 'lucide-react';
import { useStore } from 'zustand';
import { type DraftStore, presentStep } from './draftStore';

interface Props {
  readonly store: DraftStore;
  readonly onAdd: () => void;
  /** Told of a step that was removed, by its number. */
  readonly onRemoved: (number: number) => void;
}

const wordsOf = (step: Step): string => plainOf(step.brief) || kindOf(step.goal).label;

/** One step in the list: chosen by a click, moved by its grip. */
function Row({ step, number, chosen, onChoose }: { readonly step: Step; readonly number: number; readonly chosen: boolean; readonly onChoose: () => void }) {
  const { setNodeRef, style, isDragging, grip } = useGrip(step.id, `step ${number}`);
  return (
    <li ref={setNodeRef} style={style} className={`flex ${isDragging ? 'relative z-10 opacity-80' : ''}`}>
      {grip}
      <button
        type="button"
        aria-current={chosen ? 'step' : undefined}
        onClick={onChoose}
        className={`flex min-w-0 flex-1 items-baseline gap-3 rounded-lg px-3 py-1.5 text-left ${chosen ? 'bg-ink text-paper' : 'hover:bg-bar'}`}
      >
        <span className="font-mono text-sm">{number}</span>
        <span className={`flex-1 truncate ${step.off ? 'line-through opacity-70' : ''}`}>{wordsOf(step)}</span>
        {step.off && <span className="text-xs">off</span>}
      </button>
    </li>
  );
}

/** The list of steps: which one is worked on, in what order they come, which are switched off. */
export function StepsPart({ store, onAdd, onRemoved }: Props) {
  const state = useStore(store);
  const { steps } = state.draft;
  const present = presentStep(state);
  const index = steps.indexOf(present);
  const sensors = useDragSensors();
  const placeOf = (id: unknown): number => steps.findIndex((step) => step.id === id);
  const dropped = ({ active, over }: DragEndEvent): void => {
    if (over && over.id !== active.id) store.moveStep(placeOf(active.id), placeOf(over.id));
  };
  return (
    <Part
      title="Steps"
      action={
        <button type="button" className="button-quiet text-sm" onClick={onAdd}>
          <Plus size={15} aria-hidden="true" /> Add a step
        </button>
      }
    >
      <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={dropped}>
        <SortableContext items={steps.map((step) => step.id)} strategy={verticalListSortingStrategy}>
          <ol className="space-y-1">
            {steps.map((step, i) => (
              <Row key={step.id} step={step} number={i + 1} chosen={i === index} onChoose={() => store.choose(i)} />
            ))}
          </ol>
        </SortableContext>
      </DndContext>
      <div className="mt-2 flex gap-2">
        <Tool label="Copy the step" onPress={() => store.copyStep()}>
          <Copy size={15} aria-hidden="true" />
        </Tool>
        {steps.length > 1 && (
          <>
            <Tool label="Move the step up" off={index === 0} onPress={() => store.moveStep(index, index - 1)}>
              <ArrowUp size={15} aria-hidden="true" />
            </Tool>
            <Tool label="Move the step down" off={index === steps.length - 1} onPress={() => store.moveStep(index, index + 1)}>
              <ArrowDown size={15} aria-hidden="true" />
            </Tool>
            <Tool label={present.off ? 'Switch the step on' : 'Switch the step off'} onPress={() => store.setStep({ off: present.off ? undefined : true })}>
              <Power size={15} aria-hidden="true" />
            </Tool>
            <Tool
              label="Remove the step"
              onPress={() => {
                store.removeStep();
                onRemoved(index + 1);
              }}
            >
              <Trash2 size={15} aria-hidden="true" />
            </Tool>
          </>
        )}
      </div>
      {present.off && <p className="mt-1 text-ink-soft text-sm">Switched off: it is kept here and left out when you publish.</p>}
    </Part>
  );
}
