import type { Step } from '@core/exercise';
import { kindOf } from '@core/goals';
import type { ScoredModel } from '@core/model';
import { closestCenter, DndContext, type DragEndEvent } from '@dnd-kit/core';
import { horizontalListSortingStrategy, SortableContext } from '@dnd-kit/sortable';
import { MarksOver } from '@web/goals/MarksOver';
import type { StageHandle } from '@web/stage/useStage';
import { useDragSensors, useGrip } from '@web/ui/dragging';
import { plainOf } from '@web/ui/markdown';
import { Tool } from '@web/ui/Tool';
import { ArrowLeft, ArrowRight, Copy, Plus, Power, Trash2 } from 'lucide-react';
import { type ReactNode, useEffect, useRef } from 'react';
import { useStore } from 'zustand';
import { type DraftStore, presentStep } from './draftStore';
import { type StepPicture, useStepPictures } from './useStepPictures';

interface Props {
  readonly store: DraftStore;
  readonly handle: StageHandle | null;
  /** Null before it is loaded. */
  readonly model: ScoredModel | null;
  readonly onAdd: () => void;
  /** Told of a step that was removed, by its number. */
  readonly onRemoved: (number: number) => void;
  /** The stage goes where the exercise begins. */
  readonly onStart: () => void;
}

const wordsOf = (step: Step): string => plainOf(step.brief) || kindOf(step.goal).label;

const CARD = 'block w-30 overflow-hidden rounded-lg border-2 bg-card text-left text-xs';

function Picture({ source, off = false, children }: { readonly source: string | null; readonly off?: boolean; readonly children?: ReactNode }) {
  return (
    <span className={`relative block aspect-[1.6] w-full overflow-hidden bg-stage ${off ? 'opacity-40' : ''}`}>
      {source && <img src={source} alt="" className="h-full w-full" />}
      {source && children}
    </span>
  );
}

/** One step: chosen by a click on its picture, moved by its grip. */
function Card({
  step,
  number,
  picture,
  chosen,
  onChoose,
}: {
  readonly step: Step;
  readonly number: number;
  readonly picture: StepPicture | undefined;
  readonly chosen: boolean;
  readonly onChoose: () => void;
}) {
  const { setNodeRef, style, isDragging, grip } = useGrip(step.id, `step ${number}`);
  const place = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    if (chosen) place.current?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
  }, [chosen]);
  return (
    <li ref={setNodeRef} style={style} className={`relative shrink-0 ${isDragging ? 'z-10 opacity-80' : ''}`}>
      <button
        ref={place}
        type="button"
        aria-current={chosen ? 'step' : undefined}
        onClick={onChoose}
        className={`${CARD} ${chosen ? 'border-signal' : 'border-rule hover:border-ink'}`}
      >
        <Picture source={picture?.source ?? null} off={step.off === true}>
          {picture && <MarksOver small goal={step.goal} view={picture.view} />}
        </Picture>
        <span className="flex items-baseline gap-1.5 border-rule border-t px-2 py-1">
          <span className="font-mono">{number}</span>
          <span className={`min-w-0 flex-1 truncate ${step.off ? 'line-through opacity-70' : ''} ${chosen ? 'font-bold' : ''}`}>{wordsOf(step)}</span>
          {step.off && <span>off</span>}
        </span>
      </button>
      <span className="absolute top-1 right-1 rounded bg-card/80">{grip}</span>
    </li>
  );
}

/** The exercise as a row of pictures: where it begins, and each step: its target, its line, its subject. The chosen step's settings stand beside the stage. */
export function Storyboard({ store, handle, model, onAdd, onRemoved, onStart }: Props) {
  const state = useStore(store);
  const { steps, start } = state.draft;
  const present = presentStep(state);
  const index = steps.indexOf(present);
  const pictures = useStepPictures(handle, model, start, steps);
  const sensors = useDragSensors();
  const placeOf = (id: unknown): number => steps.findIndex((step) => step.id === id);
  const dropped = ({ active, over }: DragEndEvent): void => {
    if (over && over.id !== active.id) store.moveStep(placeOf(active.id), placeOf(over.id));
  };
  return (
    <section aria-label="Steps" data-note="steps">
      <div className="flex items-start gap-2 overflow-x-auto pb-1">
        <button type="button" className={`${CARD} shrink-0 border-rule border-dashed hover:border-ink`} title="Show where it begins" onClick={onStart}>
          <Picture source={pictures.start} />
          <span className="block border-rule border-t px-2 py-1">Start</span>
        </button>
        <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={dropped}>
          <SortableContext items={steps.map((step) => step.id)} strategy={horizontalListSortingStrategy}>
            <ol className="flex gap-2">
              {steps.map((step, i) => (
                <Card key={step.id} step={step} number={i + 1} picture={pictures.steps[i]} chosen={i === index} onChoose={() => store.choose(i)} />
              ))}
            </ol>
          </SortableContext>
        </DndContext>
        <button
          type="button"
          className="grid w-24 shrink-0 place-items-center self-stretch rounded-lg border-2 border-rule border-dashed text-center text-ink-soft text-xs hover:border-ink hover:text-ink"
          title="A new step that asks for the view on the stage"
          onClick={onAdd}
        >
          <span>
            <Plus size={18} aria-hidden="true" className="mx-auto mb-1" />
            Add a step
          </span>
        </button>
      </div>
      <div className="mt-1 flex items-center gap-1.5">
        <Tool label="Copy the step" onPress={() => store.copyStep()}>
          <Copy size={15} aria-hidden="true" />
        </Tool>
        {steps.length > 1 && (
          <>
            <Tool label="Move the step earlier" off={index === 0} onPress={() => store.moveStep(index, index - 1)}>
              <ArrowLeft size={15} aria-hidden="true" />
            </Tool>
            <Tool label="Move the step later" off={index === steps.length - 1} onPress={() => store.moveStep(index, index + 1)}>
              <ArrowRight size={15} aria-hidden="true" />
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
        {present.off && <p className="text-ink-soft text-xs">Switched off: kept here, left out when you publish.</p>}
      </div>
    </section>
  );
}
