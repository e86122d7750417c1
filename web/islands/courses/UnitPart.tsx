import { moveUnit, removeExercise, removeUnit, setUnit, stepExercise, type Unit } from '@core/course';
import { useDroppable } from '@dnd-kit/core';
import { SortableContext, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { useGrip } from '@web/ui/dragging';
import { TextField } from '@web/ui/fields';
import { MarkdownField } from '@web/ui/MarkdownField';
import { Tool } from '@web/ui/Tool';
import { ArrowDown, ArrowUp, ChevronDown, ChevronUp, Plus, Trash2, X } from 'lucide-react';
import { useState } from 'react';
import type { Change } from './CourseScreen';
import type { Choosable } from './course';

function ExerciseRow({
  exercise,
  first,
  last,
  change,
}: {
  readonly exercise: Choosable;
  readonly first: boolean;
  readonly last: boolean;
  readonly change: Change | null;
}) {
  const { setNodeRef, style, isDragging, grip } = useGrip(exercise.id, exercise.title);
  return (
    <li
      ref={setNodeRef}
      style={style}
      className={`flex items-center gap-1 border-rule border-b py-0.5 ${isDragging ? 'relative z-10 bg-card opacity-80' : ''}`}
    >
      {change && grip}
      <a className="min-w-0 flex-1 truncate px-1 hover:underline" href={`/build/${exercise.id}`}>
        {exercise.title}
      </a>
      {exercise.version === 0 && <span className="whitespace-nowrap text-amber text-xs">not published yet</span>}
      {change && (
        <span className="flex">
          <Tool quiet label={`Move ${exercise.title} up`} off={first} onPress={() => change(stepExercise(exercise.id, -1))}>
            <ArrowUp size={15} aria-hidden="true" />
          </Tool>
          <Tool quiet label={`Move ${exercise.title} down`} off={last} onPress={() => change(stepExercise(exercise.id, 1))}>
            <ArrowDown size={15} aria-hidden="true" />
          </Tool>
          <Tool quiet label={`Take ${exercise.title} out of the course`} onPress={() => change(removeExercise(exercise.id))}>
            <X size={15} aria-hidden="true" />
          </Tool>
        </span>
      )}
    </li>
  );
}

interface Props {
  readonly unit: Unit;
  readonly number: number;
  /** Units that stand before it. */
  readonly before: readonly Unit[];
  readonly last: boolean;
  readonly exercises: ReadonlyMap<string, Choosable>;
  /** What is wrong with one of its fields, by the field's name. */
  readonly faults: Readonly<Record<string, string>>;
  /** Null: it can only be read. */
  readonly change: Change | null;
  readonly onAdd: () => void;
}

/** One unit of a course: its name, its text, after which unit it opens, and its exercises. */
export function UnitPart({ unit, number, before, last, exercises, faults, change, onAdd }: Props) {
  const { setNodeRef, style, isDragging, grip } = useGrip(unit.id, `unit ${number}`);
  const { setNodeRef: setDropRef } = useDroppable({ id: `into ${unit.id}` });
  const [open, setOpen] = useState(Object.keys(faults).length > 0);
  const shown = open || Object.keys(faults).length > 0;
  const waitsFor = before.find(({ id }) => id === unit.opensAfter);
  return (
    <li ref={setNodeRef} style={style} className={`card p-4 ${isDragging ? 'relative z-10 opacity-80' : ''}`} data-testid="unit">
      <div className="flex flex-wrap items-center gap-x-2">
        {change && grip}
        <span className="grid h-7 w-7 shrink-0 place-items-center rounded-full bg-ink font-mono text-paper text-sm">{number}</span>
        <h2 className="min-w-0 flex-1 truncate text-lg max-sm:min-w-[55vw]">{unit.name || 'Unnamed'}</h2>
        {waitsFor && <span className="hidden truncate text-ink-soft text-sm sm:block">opens after “{waitsFor.name}”</span>}
        {change && (
          <span className="flex max-sm:ml-auto">
            <Tool quiet label={`Move unit ${number} up`} off={number === 1} onPress={() => change(moveUnit(unit.id, number - 2))}>
              <ArrowUp size={16} aria-hidden="true" />
            </Tool>
            <Tool quiet label={`Move unit ${number} down`} off={last} onPress={() => change(moveUnit(unit.id, number))}>
              <ArrowDown size={16} aria-hidden="true" />
            </Tool>
            <Tool quiet label={`Remove unit ${number}`} onPress={() => change(removeUnit(unit.id), `Unit “${unit.name || number}” is out of the course.`)}>
              <Trash2 size={16} aria-hidden="true" />
            </Tool>
          </span>
        )}
        <button type="button" className="button-quiet text-sm" aria-expanded={shown} onClick={() => setOpen(!shown)}>
          {shown ? <ChevronUp size={15} aria-hidden="true" /> : <ChevronDown size={15} aria-hidden="true" />}
          {change ? 'Edit' : 'More'}
          <span className="sr-only"> unit {number}</span>
        </button>
      </div>
      {shown && change && (
        <div className="mt-3 border-rule border-t pt-3">
          <TextField label="Name" value={unit.name} error={faults.name} onChange={(name) => change(setUnit(unit.id, { name }))} />
          <MarkdownField label="What it is about" value={unit.about} onChange={(about) => change(setUnit(unit.id, { about }))} />
          {faults.about && (
            <p role="alert" className="mb-3 text-signal text-sm">
              {faults.about}
            </p>
          )}
          <label className="mb-2 block">
            <span className="mb-1 block font-semibold text-sm">It opens</span>
            <select className="field" value={unit.opensAfter ?? ''} onChange={(e) => change(setUnit(unit.id, { opensAfter: e.target.value || null }))}>
              <option value="">with the course</option>
              {before.map((each, i) => (
                <option key={each.id} value={each.id}>
                  after a flash in every exercise of unit {i + 1}, {each.name || 'unnamed'}
                </option>
              ))}
            </select>
          </label>
        </div>
      )}
      {shown && !change && unit.about && <p className="mt-3 whitespace-pre-line border-rule border-t pt-3">{unit.about}</p>}
      <SortableContext items={[...unit.exerciseIds]} strategy={verticalListSortingStrategy}>
        <ol ref={setDropRef} className="mt-2 min-h-6">
          {unit.exerciseIds.map((id, i) => (
            <ExerciseRow
              key={id}
              exercise={exercises.get(id) ?? { id, title: 'An exercise that is not shared with you', version: 1 }}
              first={number === 1 && i === 0}
              last={last && i === unit.exerciseIds.length - 1}
              change={change}
            />
          ))}
        </ol>
      </SortableContext>
      {faults.exerciseIds && (
        <p role="alert" className="mt-1 text-signal text-sm">
          {faults.exerciseIds}
        </p>
      )}
      {change && (
        <button type="button" className="button-quiet mt-2 scroll-mb-24 text-sm" onClick={onAdd}>
          <Plus size={15} aria-hidden="true" /> Add exercises<span className="sr-only"> to unit {number}</span>
        </button>
      )}
    </li>
  );
}
