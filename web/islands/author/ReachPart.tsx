import type { Mesh } from '@core/geometry';
import type { Finding, ReachFault } from '@core/scoring';
import type { View } from '@core/view';
import { authorWorker } from '@web/goals/authorWorker';
import { wordsOf } from '@web/ui/api';
import { Part, TextField } from '@web/ui/fields';
import { ProgressBar } from '@web/ui/ProgressBar';
import { proxy } from 'comlink';
import { useState } from 'react';
import { useStore } from 'zustand';
import { type DraftStore, presentStep } from './draftStore';

interface Props {
  readonly store: DraftStore;
  readonly mesh: Mesh | null;
  readonly home: View;
}

/** What was found of a draft: it is old as soon as the draft is another. */
interface LookedThrough {
  readonly draft: unknown;
  readonly faults: readonly (Finding & Partial<ReachFault>)[];
  readonly warnings: readonly Finding[];
}

/** Headings of the recipe under which the fields of a finding stand. */
const HEADINGS: Record<string, string> = { allowed: 'Help and rules', criteria: 'Judged by', hints: 'Hints' };

/** Brings a field into sight. */
function goTo(store: DraftStore, field: string): void {
  const [first, step, place] = field.split('.');
  if (first === 'steps') store.choose(Number(step));
  requestAnimationFrame(() => {
    const heading = HEADINGS[place ?? first ?? ''] ?? (first === 'steps' ? `Step ${Number(step) + 1}` : null);
    const found = [...document.querySelectorAll('[aria-label=Recipe] h2')].find((h2) => h2.textContent === heading);
    // The recipe alone is scrolled, not the page round it.
    const scroller = found?.closest('.overflow-y-auto');
    if (found && scroller)
      scroller.scrollTo({ top: scroller.scrollTop + found.getBoundingClientRect().top - scroller.getBoundingClientRect().top - 16, behavior: 'smooth' });
  });
}

/** Whether all that is asked can be done at all: looked through in a worker, with each finding a way to its field. */
export function ReachPart({ store, mesh, home }: Props) {
  const state = useStore(store);
  const [share, setShare] = useState<number | null>(null);
  const [found, setFound] = useState<LookedThrough | null>(null);
  const [error, setError] = useState<string | null>(null);
  const step = presentStep(state);
  const number = state.draft.steps.indexOf(step) + 1;
  const look = async (): Promise<void> => {
    if (!mesh) return;
    const { draft } = store.getState();
    setShare(0);
    setError(null);
    // The share comes by another way than the answer, and may come after it.
    let ended = false;
    const tell = (done: number): void => {
      if (!ended) setShare(done);
    };
    try {
      const worker = await authorWorker(mesh, home);
      setFound({ draft, ...(await worker.lookThrough(draft, proxy(tell))) });
    } catch (problem) {
      setError(wordsOf(problem));
    }
    ended = true;
    setShare(null);
  };
  const old = found !== null && found.draft !== state.draft;
  const findings = found
    ? [...found.faults.map((finding) => ({ ...finding, grave: true })), ...found.warnings.map((finding) => ({ ...finding, grave: false }))]
    : [];
  const asksReason = step.reachReason !== undefined || (found?.faults ?? []).some((fault) => fault.asksReason && fault.field === `steps.${number - 1}.goal`);
  return (
    <Part title="Can it be done?">
      <div className="flex items-center gap-3">
        <button type="button" className="button !py-1.5 text-sm" disabled={!mesh || share !== null} onClick={() => void look()}>
          Look it through
        </button>
        {share !== null && <ProgressBar label="Looked through" done={share} className="flex-1" />}
      </div>
      {error && (
        <p role="alert" className="mt-2 text-signal text-sm">
          {error}
        </p>
      )}
      {found && share === null && (
        <div className="mt-2" aria-live="polite">
          {findings.length === 0 && <p className="text-sm">All that is asked can be reached and done.</p>}
          <ul className="space-y-1.5">
            {findings.map(({ message, field, grave }) => (
              <li key={message} className={`flex items-start gap-2 rounded-md px-3 py-2 text-sm ${grave ? 'bg-bar font-semibold' : 'border border-rule'}`}>
                <span className="flex-1">{message}</span>
                <button type="button" className="button-quiet shrink-0 text-sm" onClick={() => goTo(store, field)}>
                  Go there
                </button>
              </li>
            ))}
          </ul>
          {old && <p className="mt-1 text-ink-soft text-sm">The draft was changed since: look it through again.</p>}
        </div>
      )}
      {asksReason && (
        <div className="mt-3">
          <TextField
            label={`Why step ${number} can be done all the same`}
            rows={2}
            value={step.reachReason ?? ''}
            onChange={(reachReason) => store.setStep({ reachReason: reachReason || undefined })}
            placeholder="They take the lid off at the bench first …"
          />
        </div>
      )}
    </Part>
  );
}
