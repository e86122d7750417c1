import { CRITERIA, type Criterion, type CriterionId } from '@core/criteria';
import type { Step } from '@core/exercise';
import { calibratedFromGroup, TRIES } from '@core/scoring';
import { call, wordsOf } from '@web/ui/api';
import { shownValue } from '@web/ui/shownValue';
import { useState } from 'react';

interface Props {
  readonly exerciseId: string;
  readonly step: Step;
  readonly groups: readonly { readonly id: string; readonly name: string }[];
  readonly onChange: (criteria: Criterion[]) => void;
}

type Made = ReturnType<typeof calibratedFromGroup>;

/** What is close enough, from what a group came to in the published step. */
export function GroupTries({ exerciseId, step, groups, onChange }: Props) {
  const [found, setFound] = useState<{
    readonly group: string;
    readonly criteria: readonly { readonly id: CriterionId; readonly made: Made; readonly members: number }[];
  } | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const ask = async (group: string): Promise<void> => {
    setFound(null);
    setSaid(null);
    if (!group) return;
    try {
      const { steps } = await call('groupValues', { params: { id: exerciseId, group } });
      const mine = steps.find((one) => one.step === step.id);
      if (!mine) {
        setSaid('The step was changed since it was published, or never was: there is nothing to tell of it.');
        return;
      }
      const criteria = step.criteria.map(({ id }) => {
        const values = mine.values.find((one) => one.criterion === id);
        return { id, made: calibratedFromGroup(id, values?.bests ?? [], values?.firsts ?? []), members: values?.bests.length ?? 0 };
      });
      if (criteria.every(({ made }) => !made)) setSaid(`Fewer than ${TRIES} of this group have done it yet.`);
      else setFound({ group, criteria });
    } catch (problem) {
      setSaid(wordsOf(problem));
    }
  };
  return (
    <div className="mt-3 text-sm">
      <label className="flex items-center gap-2">
        <span className="shrink-0 font-semibold">From a group</span>
        <select className="field !py-1 text-sm" value={found?.group ?? ''} onChange={(e) => void ask(e.target.value)}>
          <option value="">choose …</option>
          {groups.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      </label>
      {said && (
        <p role="status" className="mt-1 text-ink-soft">
          {said}
        </p>
      )}
      {found && (
        <>
          <table className="mt-1 w-full text-left">
            <thead>
              <tr className="text-ink-soft text-xs">
                <th className="font-normal">Came to</th>
                <th className="text-right font-normal">learners</th>
                <th className="text-right font-normal">full, none</th>
              </tr>
            </thead>
            <tbody>
              {found.criteria.map(({ id, made, members }) => (
                <tr key={id} className="border-rule border-t">
                  <td className="py-0.5">{CRITERIA[id].label}</td>
                  <td className="text-right font-mono text-xs">{members}</td>
                  <td className="text-right font-mono text-xs">{made ? `${shownValue(id, made.full, null)}, ${shownValue(id, made.zero, null)}` : '–'}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <button
            type="button"
            className="button mt-2 !py-1 text-sm"
            // Of the criteria as they are by now only the tolerances change.
            onClick={() => onChange(step.criteria.map((criterion) => ({ ...criterion, ...found.criteria.find(({ id }) => id === criterion.id)?.made })))}
          >
            Take what the group came to
          </button>
        </>
      )}
    </div>
  );
}
