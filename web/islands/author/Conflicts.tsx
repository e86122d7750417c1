import { CRITERIA, type Criterion, type CriterionId } from '@core/criteria';
import { COMMAND_GROUPS, type DraftConflict, type Exercise, SKILLS, type Step } from '@core/exercise';
import { type Goal, kindOf } from '@core/goals';
import { methodWords } from '@web/goals/methodWords';
import { useStore } from 'zustand';
import type { DraftStore } from './draftStore';

const FIELDS: Record<DraftConflict['field'], string> = {
  title: 'Title',
  brief: 'Brief',
  model: 'Model',
  start: 'Start',
  steps: 'Steps',
  allowed: 'Allowed',
  schemes: 'Schemes',
  liveHelp: 'Live help',
  showTarget: 'Whether the browser may know the target',
  id: 'Step',
  skill: 'Main skill',
  otherSkills: 'Other skills',
  hints: 'Hints',
  goal: 'Goal',
  criteria: 'Judged by',
  reachReason: 'Why it can be reached',
  method: 'How it has to be done',
  watch: 'What is watched first',
  variants: 'How attempts begin',
  freeLook: 'Whether one may look round first',
  off: 'Whether it is on',
  step: 'The step itself',
};

/** As if all of a method were judged: it is told whole. */
const JUDGED = (['byHand', 'pivotMissed'] as const).map((id) => ({ id, full: 0, zero: 1, weight: 1 }));

/** A value as a person can tell it from another. */
function shown({ field, criterion }: DraftConflict, value: unknown): string {
  if (value === null || value === undefined) return 'removed';
  switch (field) {
    case 'skill':
      return SKILLS.find((skill) => skill.id === value)?.label ?? String(value);
    case 'hints':
    case 'otherSkills':
      return (value as readonly string[]).join(' · ') || 'none';
    case 'allowed':
      return (value as Exercise['allowed']).map((group) => COMMAND_GROUPS[group].label).join(', ');
    case 'liveHelp':
    case 'showTarget':
    case 'freeLook':
      return value ? 'yes' : 'no';
    case 'start':
      return 'another view';
    case 'goal':
      return kindOf(value as Goal).label;
    case 'criteria': {
      const { full, zero, weight } = value as Criterion;
      return `${CRITERIA[criterion as CriterionId].label}: full up to ${Number(full.toPrecision(3))}, none from ${Number(zero.toPrecision(3))}, weight ${weight}`;
    }
    case 'step':
      return (value as Step).brief || kindOf((value as Step).goal).label;
    case 'method':
      return methodWords({ method: value as Step['method'], criteria: JUDGED }).join(' ');
    case 'watch':
      return `a recording of ${(value as NonNullable<Step['watch']>).seconds.toFixed(1)} s`;
    case 'variants':
      return { turned: 'turned by chance', mirrored: 'mirrored or not', starts: 'at one of several starts' }[(value as NonNullable<Exercise['variants']>).kind];
    default:
      return typeof value === 'object' ? 'another one' : String(value) || 'empty';
  }
}

/** What two people, or two windows, changed to different things, side by side: nobody's words are lost. */
export function Conflicts({ store }: { readonly store: DraftStore }) {
  const { conflicts, draft } = useStore(store);
  if (conflicts.length === 0) return null;
  const place = ({ step, field }: DraftConflict): string => {
    const index = draft.steps.findIndex((s) => s.id === step);
    return `${index >= 0 ? `Step ${index + 1}: ` : ''}${FIELDS[field]}`;
  };
  return (
    <section className="rounded-xl border-2 border-amber bg-card p-4" role="alert" aria-label="Changed in two places">
      <h2 className="text-base">Somebody else changed this too</h2>
      <p className="mt-0.5 text-ink-soft text-sm">Their words stand for now. Choose for each:</p>
      <ul className="mt-2 space-y-3">
        {conflicts.map((conflict) => (
          <li key={conflict.id}>
            <p className="font-semibold text-sm">{place(conflict)}</p>
            <div className="mt-1 grid grid-cols-2 gap-2">
              {([true, false] as const).map((own) => (
                <div key={String(own)} className="flex flex-col rounded-lg border border-rule p-2">
                  <p className="text-ink-soft text-xs">{own ? 'Yours' : 'Theirs'}</p>
                  <p className="min-h-5 flex-1 break-words text-sm">{shown(conflict, own ? conflict.mine : conflict.theirs)}</p>
                  <button type="button" className="button mt-1.5 !px-2 !py-0.5 text-xs" onClick={() => store.settle(conflict, own)}>
                    {own ? 'Use yours' : 'Keep theirs'}
                  </button>
                </div>
              ))}
            </div>
          </li>
        ))}
      </ul>
    </section>
  );
}
