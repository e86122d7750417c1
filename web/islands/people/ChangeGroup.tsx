import { call, wordsOf } from '@web/ui/api';
import { LabelledInput } from '@web/ui/LabelledInput';
import { Ask, Sheet } from '@web/ui/Sheet';
import { useState } from 'react';

interface Props {
  readonly group: { readonly id: string; readonly name: string };
  /** How many learn in it. */
  readonly learners: number;
}

/** A lead names a group anew, or deletes it. */
export function ChangeGroup({ group, learners }: Props) {
  const [shown, setShown] = useState<'nothing' | 'sheet' | 'question'>('nothing');
  const [name, setName] = useState(group.name);
  const [error, setError] = useState<string | null>(null);
  const close = (): void => setShown('nothing');
  const rename = async (): Promise<void> => {
    await call('renameGroup', { params: { id: group.id }, body: { name } });
    window.location.reload();
  };
  const remove = async (): Promise<void> => {
    await call('deleteGroup', { params: { id: group.id } });
    window.location.href = '/groups';
  };
  const working = (work: () => Promise<void>): void => {
    setError(null);
    void work().catch((problem: unknown) => {
      setError(wordsOf(problem));
      setShown('sheet');
    });
  };
  return (
    <>
      <button type="button" className="button-quiet" onClick={() => setShown('sheet')}>
        Rename or delete
      </button>
      <Sheet open={shown === 'sheet'} onOpenChange={close} title={group.name}>
        <form
          className="space-y-4 p-1"
          onSubmit={(event) => {
            event.preventDefault();
            working(rename);
          }}
        >
          <LabelledInput label="Name" required maxLength={80} value={name} error={error} onChange={setName} />
          <div className="flex flex-wrap justify-between gap-3">
            <button type="button" className="button text-signal" onClick={() => setShown('question')}>
              Delete the group …
            </button>
            <button type="submit" className="button-main" disabled={name.trim() === '' || name.trim() === group.name}>
              Save the name
            </button>
          </div>
        </form>
      </Sheet>
      <Ask
        open={shown === 'question'}
        onOpenChange={close}
        title={`Delete ${group.name}?`}
        about={`What was given to the group is taken back, and its code is closed. ${learners === 0 ? 'Nobody learns in it.' : `Its ${learners === 1 ? 'one learner stays' : `${learners} learners stay`}, with all that they did.`}`}
        yes="Delete it"
        no="Keep it"
        onYes={() => working(remove)}
      />
    </>
  );
}
