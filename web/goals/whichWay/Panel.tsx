import type { RedactedOf } from '@core/goals';
import { lazy, Suspense } from 'react';
import type { PanelProps } from '../goalParts';
import { Ready } from '../Ready';
import { subjectWords } from '../subjectWords';

const AnswerDial = lazy(async () => ({ default: (await import('./AnswerDial')).AnswerDial }));

/** What is asked of the view that stands on the stage, and the dial that takes the answer. */
export function WhichWayPanel({ goal, prompt, parts, onConfirm, onAnswer }: PanelProps<RedactedOf<'whichWay'>>) {
  const asked = prompt?.code === 'way' ? prompt : null;
  const subject = subjectWords(parts, goal.part === undefined ? [] : [goal.part]);
  if (asked && !asked.shown)
    return (
      <Ready label="The question" onReady={onConfirm}>
        {asked.count === 1 ? 'A view of ' : `${asked.count} views of `}
        <strong>{subject}</strong> will be shown. Tell from where {asked.count === 1 ? 'it is' : 'each is'} seen: the stage will not move.
      </Ready>
    );
  return (
    <section aria-label="The question" className="rounded-xl border-2 border-ink bg-card p-4">
      <p className="text-ink-soft text-sm" aria-live="polite">
        {asked ? `View ${asked.number} of ${asked.count}` : prompt && 'All answered.'}
      </p>
      {asked && (
        <>
          <p className="mt-1 font-bold font-display text-lg leading-tight">
            From which side{goal.ask === 'side' ? '' : ', and from how high,'} is {subject} seen?
          </p>
          <Suspense>
            <AnswerDial key={asked.number} height={goal.ask !== 'side'} onAnswer={onAnswer} />
          </Suspense>
        </>
      )}
    </section>
  );
}
