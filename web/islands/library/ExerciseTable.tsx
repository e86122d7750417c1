import { formatDistanceToNow } from 'date-fns';
import { CopyExercise } from './CopyExercise';
import { PutAway } from './PutAway';

interface Props {
  readonly exercises: readonly {
    readonly id: string;
    /** Null when it cannot be read. */
    readonly title: string | null;
    readonly steps: number;
    readonly version: number;
    readonly mine: boolean;
    readonly archived: boolean;
    /** What the newest version suffers from, in words. */
    readonly flags: readonly string[];
    /** ISO 8601. */
    readonly updatedAt: string;
  }[];
}

/** Exercises in a table, each with its way to Build. */
export function ExerciseTable({ exercises }: Props) {
  return (
    <div className="overflow-x-auto">
      <table className="w-full text-left">
        <thead>
          <tr className="border-ink border-b text-ink-soft text-sm">
            <th className="py-2 font-normal">Title</th>
            <th className="font-normal">Steps</th>
            <th className="font-normal">Published</th>
            <th className="font-normal">How it fares</th>
            <th className="font-normal">Changed</th>
            <th>
              <span className="sr-only">Copy, put away, bring back</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {exercises.map((e) => (
            <tr key={e.id} className="border-rule border-b hover:bg-card">
              <td className="py-2.5">
                {e.title === null ? (
                  <span className="text-signal" role="note">
                    cannot be read
                  </span>
                ) : (
                  <a className="font-semibold underline decoration-rule underline-offset-4 hover:decoration-ink" href={`/build/${e.id}`}>
                    {e.title || 'Untitled'}
                  </a>
                )}
                {!e.mine && <span className="ml-2 text-ink-soft text-sm">shared</span>}
              </td>
              <td className="font-mono">{e.steps}</td>
              <td className="whitespace-nowrap">{e.version > 0 ? `version ${e.version}` : 'draft'}</td>
              <td className="text-sm">
                {e.version > 0 && (
                  <a className="underline decoration-rule underline-offset-4 hover:decoration-ink" href={`/exercises/${e.id}`}>
                    {e.flags.length === 0 ? 'see' : <span className="text-signal">{e.flags.map((words) => words.split(':')[0]).join(', ')}</span>}
                    <span className="sr-only"> how {e.title || 'it'} fares</span>
                  </a>
                )}
              </td>
              <td className="whitespace-nowrap text-ink-soft" suppressHydrationWarning>
                {formatDistanceToNow(new Date(e.updatedAt), { addSuffix: true })}
              </td>
              <td className="space-x-4 text-right">
                {e.title !== null && <CopyExercise id={e.id} name={e.title || 'Untitled'} />}
                {e.mine && <PutAway what="exercise" id={e.id} name={e.title || 'Untitled'} away={e.archived} />}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
