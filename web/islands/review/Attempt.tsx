import { Flashes } from '@web/ui/Flashes';
import { shownPoints } from '@web/ui/points';
import { Link2 } from 'lucide-react';
import { useState } from 'react';
import { toast } from 'sonner';
import type { Reviewed } from './reviewed';
import { VerdictForm, VerdictWords } from './Verdict';

/** Whose attempt it is, what it earned, what was decided about it, and a link to the moment that is shown. */
export function Attempt({ reviewed, now }: { readonly reviewed: Reviewed; readonly now: () => number }) {
  const { attemptId, exercise, learner, score, flashes, earlier, staff } = reviewed;
  const [verdict, setVerdict] = useState(reviewed.verdict);
  const copy = async (): Promise<void> => {
    const address = new URL(window.location.href);
    address.search = `?t=${now().toFixed(2)}`;
    window.history.replaceState(null, '', address);
    try {
      await navigator.clipboard.writeText(address.href);
      toast.success('The link to this moment is copied.');
    } catch {
      // Without a clipboard the address bar has it.
      toast.success('The address of this page now names this moment: copy it from there.');
    }
  };
  return (
    <header>
      <p className="text-ink-soft text-sm">
        {learner ? (
          <a className="underline" href={`/learners/${learner.id}`}>
            {learner.name}
          </a>
        ) : (
          'How it went'
        )}
      </p>
      <h1 className="text-2xl leading-tight">{exercise.title}</h1>
      <div className="mt-1 flex flex-wrap items-center gap-x-4 gap-y-1">
        <span>
          <strong className="font-mono text-xl">{shownPoints(score)}</strong> of 100
        </span>
        <Flashes count={flashes} />
        <a className="button-quiet text-sm" href={`/attempts/${attemptId}`}>
          Score card
        </a>
        <button type="button" className="button-quiet text-sm" onClick={() => void copy()}>
          <Link2 size={14} aria-hidden="true" /> Link to this moment
        </button>
      </div>
      {earlier && <p className="mt-1 text-ink-soft text-sm">This attempt was scored by earlier rules: the curves are by those of today.</p>}
      {!reviewed.known && (
        <p className="mt-1 text-ink-soft text-sm">The target of this exercise is kept secret: here is what you did, without how close it was.</p>
      )}
      <VerdictWords verdict={verdict} />
      {staff && learner && <VerdictForm attemptId={attemptId} verdict={verdict} onVerdict={setVerdict} />}
    </header>
  );
}
