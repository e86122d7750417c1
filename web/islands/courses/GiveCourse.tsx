import { dueDaysOf } from '@core/course';
import { call, wordsOf } from '@web/ui/api';
import { Choice } from '@web/ui/fields';
import { LabelledInput } from '@web/ui/LabelledInput';
import type { Named } from '@web/ui/named';
import { Sheet, SheetEnd } from '@web/ui/Sheet';
import { useState } from 'react';

export interface Givable extends Named {
  readonly units: readonly Named[];
}

interface Props {
  readonly open: boolean;
  readonly onOpenChange: (open: boolean) => void;
  /** Courses and groups to choose of; where there is one, that is meant. */
  readonly courses: readonly Givable[];
  readonly groups: readonly Named[];
  /** Today where the station is, yyyy-mm-dd. */
  readonly today: string;
  /** How the group goes through the course now, where its days are changed. */
  readonly present?: { readonly startsOn: string; readonly pace: number | null; readonly dues: Readonly<Record<string, string>> };
}

const WEEK = '7';

/** The days for a unit as they were typed: null where units have none, undefined where that is no number of days. */
function paceOf(text: string): number | null | undefined {
  if (text.trim() === '') return null;
  const days = Number(text);
  return Number.isInteger(days) && days >= 1 && days <= 365 ? days : undefined;
}

/** Gives a course to a group: when it begins, how fast it goes, and when each unit is due. */
export function GiveCourse({ open, onOpenChange, courses, groups, today, present }: Props) {
  const [courseId, setCourseId] = useState(courses[0]?.id ?? '');
  const [groupId, setGroupId] = useState(groups[0]?.id ?? '');
  const [startsOn, setStartsOn] = useState(present?.startsOn ?? today);
  const [paceText, setPaceText] = useState(present ? String(present.pace ?? '') : WEEK);
  const [dues, setDues] = useState<Readonly<Record<string, string>>>(present?.dues ?? {});
  const [error, setError] = useState<string | null>(null);
  const course = courses.find(({ id }) => id === courseId);
  const pace = paceOf(paceText);
  const days = course && startsOn ? dueDaysOf(course.units, { startsOn, pace: pace ?? null, dues }) : [];
  const give = async (): Promise<void> => {
    setError(null);
    try {
      await call('giveCourse', { params: { id: groupId }, body: { courseId, startsOn, pace: pace ?? null, dues } });
      window.location.href = `/groups/${groupId}`;
    } catch (problem) {
      setError(wordsOf(problem));
    }
  };
  const set = (unitId: string, day: string): void => {
    const { [unitId]: _, ...others } = dues;
    setDues(day ? { ...others, [unitId]: day } : others);
  };
  return (
    <Sheet
      open={open}
      onOpenChange={onOpenChange}
      title={present ? 'Change its days' : 'Give a course'}
      about="Its exercises are given in their newest version. Trainees find the course under Today."
    >
      <div className="space-y-4 p-1">
        {courses.length > 1 && (
          <Choice
            label="Course"
            value={courseId}
            options={courses.map(({ id, name }) => ({ id, label: name }))}
            onChange={(id) => {
              setCourseId(id);
              setDues({});
            }}
          />
        )}
        {groups.length > 1 && <Choice label="Group" value={groupId} options={groups.map(({ id, name }) => ({ id, label: name }))} onChange={setGroupId} />}
        <div className="grid grid-cols-2 items-start gap-4">
          <LabelledInput label="Begins on" type="date" value={startsOn} error={startsOn ? null : 'choose a date'} onChange={setStartsOn} />
          <LabelledInput
            label="Days for a unit"
            inputMode="numeric"
            placeholder="no due dates"
            value={paceText}
            error={pace === undefined ? 'whole days, 1 to 365; or leave it empty' : null}
            onChange={setPaceText}
          />
        </div>
        {course && course.units.length > 0 && (
          <details open={present !== undefined}>
            <summary className="button-quiet">Due dates, unit by unit</summary>
            <ol className="mt-2">
              {course.units.map(({ id, name }, i) => (
                <li key={id} className="flex items-center justify-between gap-3 py-0.5">
                  <span className="min-w-0 flex-1 truncate text-sm">
                    <span className="font-mono">{i + 1}</span> {name}
                  </span>
                  {id in dues && (
                    <button type="button" className="button-quiet !px-1 text-xs" onClick={() => set(id, '')}>
                      by the pace<span className="sr-only">: {name}</span>
                    </button>
                  )}
                  <input
                    type="date"
                    aria-label={`${name} is due on`}
                    className={`field !w-40 !py-1 text-sm ${id in dues ? 'font-semibold' : 'text-ink-soft'}`}
                    min={startsOn}
                    value={days[i] ?? ''}
                    onChange={(e) => set(id, e.target.value)}
                  />
                </li>
              ))}
            </ol>
          </details>
        )}
        <SheetEnd
          error={error}
          no="Not now"
          onNo={() => onOpenChange(false)}
          yes={present ? 'Keep these days' : 'Give it'}
          onYes={() => void give()}
          off={!courseId || !groupId || !startsOn || pace === undefined}
        />
      </div>
    </Sheet>
  );
}
