import { addUnit, type CourseContent, moveExercise, moveUnit } from '@core/course';
import { closestCenter, DndContext, type DragEndEvent } from '@dnd-kit/core';
import { SortableContext, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { nextId } from '@web/goals/nextId';
import { call, type Refusal, refusalOf, wordsOf } from '@web/ui/api';
import { useDragSensors } from '@web/ui/dragging';
import { NumberField, TextField, Tick } from '@web/ui/fields';
import { MarkdownField } from '@web/ui/MarkdownField';
import type { Named } from '@web/ui/named';
import { offer, Toasts } from '@web/ui/Toasts';
import { Plus } from 'lucide-react';
import { useEffect, useState } from 'react';
import { toast } from 'sonner';
import { AddExercises } from './AddExercises';
import type { Choosable } from './course';
import { GiveCourse } from './GiveCourse';
import { UnitPart } from './UnitPart';

/** Changes the course; `words`: told with a way to take it back. */
export type Change = (how: (course: CourseContent) => CourseContent, words?: string) => void;

interface Props {
  readonly id: string;
  readonly saved: CourseContent;
  readonly revision: number;
  readonly mine: boolean;
  readonly shared: boolean;
  readonly exercises: readonly Choosable[];
  /** Groups that have it. */
  readonly having: readonly Named[];
  readonly groups: readonly Named[];
  /** Today where the station is, yyyy-mm-dd. */
  readonly today: string;
}

/** The fault at a field of the course, as it is shown there. */
function faultsOf(error: Refusal | null, place: string): Record<string, string> {
  if (!error?.field?.startsWith(`${place}.`)) return {};
  return { [error.field.slice(place.length + 1)]: error.words };
}

/** A course: its words, its units in their order, and to whom it is given. */
export function CourseScreen({ id, saved, revision, mine, shared, exercises, having, groups, today }: Props) {
  const [course, setCourse] = useState(saved);
  const [kept, setKept] = useState({ course: saved, revision });
  const [isShared, setShared] = useState(shared);
  const [addingTo, setAddingTo] = useState<string | null>(null);
  const [giving, setGiving] = useState(false);
  const [busy, setBusy] = useState(false);
  const [error, setError] = useState<Refusal | null>(null);
  const changed = course !== kept.course;
  const byId = new Map(exercises.map((each) => [each.id, each]));
  const others = groups.filter((group) => !having.some(({ id: has }) => has === group.id));
  const used = new Set(course.units.flatMap(({ exerciseIds }) => exerciseIds));

  useEffect(() => {
    if (!changed) return;
    const ask = (event: BeforeUnloadEvent): void => event.preventDefault();
    window.addEventListener('beforeunload', ask);
    return () => window.removeEventListener('beforeunload', ask);
  }, [changed]);

  const change: Change = (how, words) => {
    const before = course;
    setCourse(how(course));
    setError(null);
    // What could be taken back before would take this change with it.
    toast.dismiss();
    if (words) offer(words, 'Undo', () => setCourse(before));
  };
  const save = async (): Promise<void> => {
    setBusy(true);
    setError(null);
    try {
      const { revision: next } = await call('saveCourse', { params: { id }, body: { base: kept.revision, course } });
      setKept({ course, revision: next });
      toast.success(having.length > 0 ? `Saved. ${having.map(({ name }) => name).join(', ')} have it as it is now.` : 'Saved.');
    } catch (problem) {
      // The request names the course; here the fields are its own.
      const { words, field } = refusalOf(problem);
      setError({ words: words.replace(/^course\.[\w.]+: /, ''), field: field?.replace(/^course\./, '') });
    } finally {
      setBusy(false);
    }
  };
  const share = async (on: boolean): Promise<void> => {
    try {
      await call('changeCourse', { params: { id }, body: { shared: on } });
      setShared(on);
    } catch (problem) {
      toast.error(wordsOf(problem));
    }
  };

  const sensors = useDragSensors();
  const dropped = ({ active, over }: DragEndEvent): void => {
    if (!over || over.id === active.id) return;
    const onto = String(over.id).replace(/^into /, '');
    const moved = String(active.id);
    const place = course.units.findIndex((unit) => unit.id === onto || unit.exerciseIds.includes(onto));
    const unit = course.units[place];
    if (!unit) return;
    if (course.units.some((each) => each.id === moved)) change(moveUnit(moved, place));
    else change(moveExercise(moved, unit.id, unit.id === onto ? unit.exerciseIds.length : unit.exerciseIds.indexOf(onto)));
  };
  const adding = course.units.find((unit) => unit.id === addingTo);

  return (
    <div className="mt-6">
      {mine ? (
        <div className="card p-5">
          <TextField
            label="Name"
            value={course.name}
            error={error?.field === 'name' ? error.words : undefined}
            onChange={(name) => change((c) => ({ ...c, name }))}
          />
          <MarkdownField label="What it is about" value={course.about} onChange={(about) => change((c) => ({ ...c, about }))} />
          <div className="flex flex-wrap items-center gap-x-8 gap-y-2">
            <NumberField
              label="A skill counts as mastered from level"
              value={course.threshold}
              min={50}
              max={99}
              error={error?.field === 'threshold' ? error.words : undefined}
              onChange={(threshold) => change((c) => ({ ...c, threshold: Math.round(threshold) }))}
            />
            <Tick label="Other instructors may read and give it" checked={isShared} onChange={(on) => void share(on)} />
          </div>
        </div>
      ) : (
        <p className="card whitespace-pre-line p-5">{course.about || 'This course was shared with you: copy it to change it.'}</p>
      )}
      <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={dropped}>
        <SortableContext items={course.units.map((unit) => unit.id)} strategy={verticalListSortingStrategy}>
          <ol className="mt-5 space-y-4">
            {course.units.map((unit, i) => (
              <UnitPart
                key={unit.id}
                unit={unit}
                number={i + 1}
                before={course.units.slice(0, i)}
                last={i === course.units.length - 1}
                exercises={byId}
                faults={faultsOf(error, `units.${i}`)}
                change={mine ? change : null}
                onAdd={() => setAddingTo(unit.id)}
              />
            ))}
          </ol>
        </SortableContext>
      </DndContext>
      {course.units.length === 0 && <p className="mt-5 text-ink-soft">A course is made of units, each with a few exercises that belong together.</p>}
      {mine && (
        <button
          type="button"
          className="button mt-4"
          onClick={() => change(addUnit(nextId('unit', [...course.units, ...kept.course.units]), `Unit ${course.units.length + 1}`))}
        >
          <Plus size={16} aria-hidden="true" /> Add a unit
        </button>
      )}
      <div className="sticky bottom-0 mt-6 flex flex-wrap items-center justify-end gap-3 border-ink border-t bg-paper py-3">
        {error && (
          <p role="alert" className="mr-auto text-signal">
            {error.words}
          </p>
        )}
        {changed && !error && (
          <p className="mr-auto text-ink-soft">
            Not saved yet.{having.length > 0 && ` ${having.map(({ name }) => name).join(', ')} will have it as you save it.`}
          </p>
        )}
        {others.length > 0 && (
          <button type="button" className="button" disabled={changed} onClick={() => setGiving(true)}>
            Give it to a group
          </button>
        )}
        {mine && (
          <button type="button" className="button-main" disabled={!changed || busy} onClick={() => void save()}>
            Save
          </button>
        )}
      </div>
      <AddExercises
        open={adding !== undefined}
        onOpenChange={() => setAddingTo(null)}
        unit={adding?.name ?? ''}
        free={exercises.filter((each) => !used.has(each.id))}
        onAdd={(ids) => adding && change((c) => ids.reduce((now, each) => moveExercise(each, adding.id, Number.POSITIVE_INFINITY)(now), c))}
      />
      {others.length > 0 && (
        <GiveCourse open={giving} onOpenChange={setGiving} courses={[{ id, name: course.name, units: course.units }]} groups={others} today={today} />
      )}
      <Toasts />
    </div>
  );
}
