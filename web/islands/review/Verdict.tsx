import { call, wordsOf } from '@web/ui/api';
import { shownPoints } from '@web/ui/points';
import { useState } from 'react';
import { toast } from 'sonner';

export interface VerdictShown {
  readonly leftOut: { readonly why: string; readonly by: string | null } | null;
  readonly set: { readonly score: number; readonly why: string; readonly by: string | null } | null;
}

/** What was decided about an attempt, in words; nothing where nothing was. */
export function VerdictWords({ verdict }: { readonly verdict: VerdictShown }) {
  const { leftOut, set } = verdict;
  if (!leftOut && !set) return null;
  return (
    <div className="card border-signal p-3 text-sm" data-testid="verdict">
      {leftOut && (
        <p>
          <strong>This attempt does not count.</strong> {leftOut.by ?? 'An instructor'}: <q>{leftOut.why}</q>
        </p>
      )}
      {set && (
        <p>
          <strong>Its score was set to {shownPoints(set.score)}.</strong> {set.by ?? 'An instructor'}: <q>{set.why}</q> The card stays as it was computed.
        </p>
      )}
    </div>
  );
}

interface Props {
  readonly attemptId: string;
  readonly verdict: VerdictShown;
  readonly onVerdict: (verdict: VerdictShown) => void;
}

/** Leaves the attempt out or sets its score, with a reason; both can be taken back. */
export function VerdictForm({ attemptId, verdict, onVerdict }: Props) {
  const [why, setWhy] = useState('');
  const [score, setScore] = useState('');
  const params = { id: attemptId };
  const points = score.trim() === '' ? Number.NaN : Number(score);
  const doing = async (work: () => Promise<unknown>, next: VerdictShown): Promise<void> => {
    try {
      await work();
      onVerdict(next);
      setWhy('');
      setScore('');
    } catch (error) {
      toast.error(wordsOf(error));
    }
  };
  return (
    <details className="text-sm">
      <summary className="font-semibold">Leave it out, or set its score</summary>
      <div className="mt-2 space-y-2">
        {(!verdict.leftOut || !verdict.set) && (
          <label className="block">
            Why (the learner sees it)
            <input className="field !py-1" value={why} maxLength={400} onChange={(e) => setWhy(e.target.value)} />
          </label>
        )}
        {verdict.leftOut ? (
          <button
            type="button"
            className="button !py-1"
            onClick={() => void doing(() => call('leaveOut', { params, body: { why: null } }), { ...verdict, leftOut: null })}
          >
            Let it count again
          </button>
        ) : (
          <button
            type="button"
            className="button !py-1"
            disabled={!why.trim()}
            onClick={() => void doing(() => call('leaveOut', { params, body: { why } }), { ...verdict, leftOut: { why: why.trim(), by: 'You' } })}
          >
            Leave it out
          </button>
        )}
        {verdict.set ? (
          <button
            type="button"
            className="button !py-1"
            onClick={() => void doing(() => call('setScore', { params, body: { set: null } }), { ...verdict, set: null })}
          >
            Back to the computed score
          </button>
        ) : (
          <div className="flex items-end gap-2">
            <label className="block">
              Points, 0 to 100
              <input
                className="field !w-24 !py-1"
                inputMode="decimal"
                value={score}
                onChange={(e) => setScore(e.target.value)}
                aria-invalid={score !== '' && !(points >= 0 && points <= 100)}
              />
            </label>
            <button
              type="button"
              className="button !py-1"
              disabled={!why.trim() || !(points >= 0 && points <= 100)}
              onClick={() =>
                void doing(() => call('setScore', { params, body: { set: { score: points, why } } }), {
                  ...verdict,
                  set: { score: points, why: why.trim(), by: 'You' },
                })
              }
            >
              Set the score
            </button>
          </div>
        )}
      </div>
    </details>
  );
}
