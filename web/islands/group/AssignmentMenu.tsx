import { call, wordsOf } from '@web/ui/api';
import { Sheet } from '@web/ui/Sheet';
import { useState } from 'react';
import type { AssignmentLine } from './learner';

interface Props {
  readonly groupId: string;
  readonly assignment: AssignmentLine;
  /** How many attempts there are at it. */
  readonly attempts: number;
}

/** Corrects what a group was given: takes it back, or brings its newest version; those who have it are told. */
export function AssignmentMenu({ groupId, assignment, attempts }: Props) {
  const { exerciseId, title, version, newest, alone } = assignment;
  const [open, setOpen] = useState(false);
  const [counting, setCounting] = useState<'count' | 'doNotCount'>('count');
  const [why, setWhy] = useState('');
  const [error, setError] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const correct = async (how: 'takeBack' | 'moveToNewest'): Promise<void> => {
    setBusy(true);
    setError(null);
    try {
      await call(how, { params: { id: groupId }, body: { exerciseId, attempts: counting, why } });
      window.location.reload();
    } catch (problem) {
      setError(wordsOf(problem));
      setBusy(false);
    }
  };
  return (
    <>
      <button type="button" className="button-quiet whitespace-nowrap text-xs" onClick={() => setOpen(true)}>
        {newest > version ? `Version ${newest} is there` : 'Correct'}
        <span className="sr-only">: {title}</span>
      </button>
      <Sheet
        open={open}
        onOpenChange={setOpen}
        title={title}
        about={`The group has version ${version}${newest > version ? `; the newest is version ${newest}` : ', which is the newest'}. Whoever has it is told under Today.`}
      >
        <div className="space-y-4 p-1">
          {attempts > 0 && (
            <fieldset>
              <legend className="mb-1 font-semibold">Attempts that were made at version {version}</legend>
              {(
                [
                  ['count', 'Keep them, and count them as before'],
                  ['doNotCount', 'Keep them, but do not count them'],
                ] as const
              ).map(([value, words]) => (
                <label key={value} className="flex items-center gap-2 py-0.5">
                  <input type="radio" name="attempts" className="accent-ink" checked={counting === value} onChange={() => setCounting(value)} /> {words}
                </label>
              ))}
            </fieldset>
          )}
          <label className="block">
            <span className="mb-1 block font-semibold">What they are told (may stay empty)</span>
            <input
              className="field"
              value={why}
              maxLength={200}
              placeholder="The target was set from the wrong side."
              onChange={(e) => setWhy(e.target.value)}
            />
          </label>
          {error && (
            <p role="alert" className="text-signal">
              {error}
            </p>
          )}
          <div className="flex flex-wrap justify-end gap-3">
            {alone ? (
              <button type="button" className="button" disabled={busy} onClick={() => correct('takeBack')}>
                Take it back from the group
              </button>
            ) : (
              <p className="text-ink-soft text-sm">The group has it by a course: to take it back, take it out of that.</p>
            )}
            {newest > version && (
              <button type="button" className="button-main" disabled={busy} onClick={() => correct('moveToNewest')}>
                Move to version {newest}
              </button>
            )}
          </div>
        </div>
      </Sheet>
    </>
  );
}
