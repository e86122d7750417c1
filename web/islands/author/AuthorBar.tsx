import { useStore } from 'zustand';
import type { DraftStore } from './draftStore';

const STATE_WORDS = { saved: 'Saved', saving: 'Saving …', changed: 'Not saved yet', failed: 'Not saved' } as const;

interface Props {
  readonly store: DraftStore;
  readonly mine: boolean;
  /** The newest published version; 0: none. */
  readonly version: number;
  readonly ready: boolean;
  readonly busy: boolean;
  readonly onTry: () => void;
  readonly onAssign: () => void;
  readonly onPublish: () => void;
}

/** How the draft stands, and what can be done with all of it. */
export function AuthorBar({ store, mine, version, ready, busy, onTry, onAssign, onPublish }: Props) {
  const { state, error } = useStore(store);
  return (
    <div className="border-ink border-t px-6 py-3">
      <p className={`mb-2 text-sm ${state === 'failed' ? 'font-semibold text-signal' : 'text-ink-soft'}`} role="status" data-testid="draft-state">
        {mine ? STATE_WORDS[state] : 'This exercise belongs to someone else: changes are not kept.'}
        {error && `: ${error}`}
        {mine && version > 0 && state !== 'failed' && `, version ${version} is published`}
      </p>
      <div className="flex gap-2.5">
        <button type="button" className="button flex-1" disabled={!ready} onClick={onTry}>
          Try it
        </button>
        {version > 0 && (
          <button type="button" className="button" onClick={onAssign}>
            Assign
          </button>
        )}
        <button type="button" className="button-main flex-1" disabled={!mine || !ready || busy} onClick={onPublish}>
          {busy ? 'Publishing …' : 'Publish'}
        </button>
      </div>
    </div>
  );
}
