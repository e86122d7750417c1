import { FilterSelect } from '@web/ui/FilterSelect';
import { SearchField } from '@web/ui/SearchField';
import { format } from 'date-fns';
import { useMemo, useState } from 'react';
import { CopyExercise } from './CopyExercise';
import { ALL, type ExerciseLine, isFiltered, linesWanted, ORDERS, occurring, STATES, type Wanted } from './exerciseLines';
import { PutAway } from './PutAway';

/** The selects of a narrow window stand side by side. */
const NARROW = 'max-w-full text-sm sm:!w-auto';

const same = (words: readonly string[]): (readonly [string, string])[] => words.map((word) => [word, word]);

/** What lines are chosen by that say it in words of their own. */
const BY_WORD = [
  { key: 'skill', of: 'skills', label: 'Skill' },
  { key: 'goal', of: 'goals', label: 'Goal' },
  { key: 'course', of: 'courses', label: 'Course' },
] as const;

function Filters({ lines, wanted, onWant }: { readonly lines: readonly ExerciseLine[]; readonly wanted: Wanted; readonly onWant: (wanted: Wanted) => void }) {
  const set = (change: Partial<Wanted>): void => onWant({ ...wanted, ...change });
  return (
    <div className="mb-4 grid grid-cols-2 items-center gap-2 sm:flex sm:flex-wrap">
      <SearchField
        label="Search exercises"
        placeholder="Title, skill, goal or course"
        value={wanted.words}
        onChange={(words) => set({ words })}
        compact
        className="min-w-48 flex-1 max-sm:col-span-2"
      />
      {BY_WORD.map(({ key, of, label }) => {
        const found = occurring(lines, of);
        // Who has no course yet is not asked for one.
        return of === 'courses' && found.length === 0 ? null : (
          <FilterSelect
            key={key}
            className={NARROW}
            label={label}
            any={`Any ${label.toLowerCase()}`}
            value={wanted[key]}
            options={same(found)}
            onChange={(word) => set({ [key]: word })}
          />
        );
      })}
      <FilterSelect
        className={NARROW}
        label="State"
        any="Any state"
        value={wanted.state}
        options={Object.entries(STATES)}
        onChange={(state) => set({ state: state as Wanted['state'] })}
      />
      <FilterSelect
        className={NARROW}
        label="Order"
        value={wanted.order}
        options={Object.entries(ORDERS)}
        onChange={(order) => set({ order: order as Wanted['order'] })}
      />
    </div>
  );
}

function Line({ line: e }: { readonly line: ExerciseLine }) {
  const name = e.title || 'Untitled';
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-1 border-rule border-b py-2 hover:bg-card">
      <span className="h-[54px] w-[86px] shrink-0 overflow-hidden rounded border border-rule bg-card">
        {e.picture && <img src={e.picture} alt="" loading="lazy" width={86} height={54} className="h-full w-full object-cover" />}
      </span>
      <div className="min-w-40 flex-1">
        <p>
          {e.title === null ? (
            <span className="text-signal" role="note">
              cannot be read
            </span>
          ) : (
            <a className="font-semibold underline decoration-rule underline-offset-4 hover:decoration-ink" href={`/build/${e.id}`}>
              {name}
            </a>
          )}
          {!e.mine && <span className="ml-2 text-ink-soft text-sm">shared</span>}
        </p>
        <p className="text-ink-soft text-sm">
          {[e.goals.join(', '), e.steps === 1 ? 'one step' : `${e.steps} steps`, ...e.courses].filter(Boolean).join(' · ')}
        </p>
      </div>
      <p className="w-40 text-sm">
        {e.version === 0 ? 'draft' : `version ${e.version}`}
        {e.changedSince && <span className="text-ink-soft">, changed since</span>}
        <span className="block text-ink-soft" suppressHydrationWarning title={format(new Date(e.updatedAt), 'd MMM yyyy, HH:mm')}>
          {format(new Date(e.updatedAt), 'd MMM yyyy')}
        </span>
      </p>
      <p className="w-32 text-sm">
        {e.version > 0 && (
          <a className="underline decoration-rule underline-offset-4 hover:decoration-ink" href={`/exercises/${e.id}`}>
            {e.flags.length === 0 ? 'How it fares' : <span className="text-signal">{e.flags.map((words) => words.split(':')[0]).join(', ')}</span>}
            <span className="sr-only"> ({name})</span>
          </a>
        )}
      </p>
      <div className="flex gap-4">
        {e.title !== null && <CopyExercise id={e.id} name={name} />}
        {e.mine && <PutAway what="exercise" id={e.id} name={name} away={e.archived} />}
      </div>
    </li>
  );
}

/** Exercises with a picture of what each asks for, to be searched, filtered and opened. */
export function ExerciseList({ exercises }: { readonly exercises: readonly ExerciseLine[] }) {
  const [wanted, setWanted] = useState(ALL);
  const shown = useMemo(() => linesWanted(exercises, wanted), [exercises, wanted]);
  return (
    <div>
      <Filters lines={exercises} wanted={wanted} onWant={setWanted} />
      <p className="text-ink-soft text-sm" role="status">
        {shown.length === exercises.length
          ? `${exercises.length} ${exercises.length === 1 ? 'exercise' : 'exercises'}`
          : `${shown.length} of ${exercises.length} exercises`}
        {isFiltered(wanted) && (
          <button type="button" className="ml-3 underline" onClick={() => setWanted({ ...ALL, order: wanted.order })}>
            Show all
          </button>
        )}
      </p>
      <ul className="mt-1 border-ink border-t">
        {shown.map((line) => (
          <Line key={line.id} line={line} />
        ))}
      </ul>
      {shown.length === 0 && <p className="py-6 text-ink-soft">None is like that. Take a word away, or show all.</p>}
    </div>
  );
}
