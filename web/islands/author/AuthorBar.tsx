import { Tip } from '@web/ui/Tip';
import { Redo2, Undo2 } from 'lucide-react';
import { useStore } from 'zustand';
import { Checklist } from './Checklist';
import type { Check } from './checks';
import type { DraftStore } from './draftStore';

const STATE_WORDS = { saved: 'Saved', saving: 'Saving …', changed: 'Not saved yet', failed: 'Not saved' } as const;

interface Props {
  readonly store: DraftStore;
  readonly mine: boolean;
  /** The newest published version; 0: none. */
  readonly version: number;
  /** Whether the draft was changed since that version. */
  readonly changed: boolean;
  readonly ready: boolean;
  /** What is being done to publish it; null: nothing. */
  readonly doing: string | null;
  /** What there is still to do. */
  readonly checks: readonly Check[];
  readonly onTry: () => void;
  readonly onAssign: () => void;
  readonly onPublish: () => void;
}

/** How the draft stands, and what can be done with all of it. */
export function AuthorBar({ store, mine, version, changed, ready, doing, checks, onTry, onAssign, onPublish }: Props) {
  const { state, error, undo } = useStore(store);
  const [back, again] = [undo.back.at(-1), undo.again.at(-1)];
  return (
    <div className="border-ink border-t px-6 py-3">
      <div className="mb-2 flex items-center gap-2">
        <p className={`min-w-0 flex-1 text-sm ${state === 'failed' ? 'font-semibold text-signal' : 'text-ink-soft'}`} role="status" data-testid="draft-state">
          {mine ? STATE_WORDS[state] : 'This exercise belongs to someone else: changes are not kept.'}
          {error && `: ${error}`}
          {mine && version > 0 && state !== 'failed' && `; version ${version} is published${changed ? ', without what was changed since' : ''}`}
        </p>
        <Tip words={back ? `Undo: ${back.words}` : 'Nothing to undo'} shortcut="Ctrl+Z">
          <button type="button" aria-label="Undo" className="button !px-2 !py-1" disabled={!back} onClick={store.undo}>
            <Undo2 size={15} aria-hidden="true" />
          </button>
        </Tip>
        <Tip words={again ? `Redo: ${again.words}` : 'Nothing to redo'} shortcut="Ctrl+Shift+Z">
          <button type="button" aria-label="Redo" className="button !px-2 !py-1" disabled={!again} onClick={store.redo}>
            <Redo2 size={15} aria-hidden="true" />
          </button>
        </Tip>
      </div>
      {doing && (
        <p role="status" className="mb-2 text-sm">
          {doing}
        </p>
      )}
      {checks.some(({ done }) => !done) && <Checklist checks={checks} />}
      <div className="flex gap-2.5" data-note="publish">
        <button type="button" className="button flex-1" disabled={!ready} onClick={onTry}>
          Try it
        </button>
        {version > 0 && (
          <button type="button" className="button" onClick={onAssign}>
            Assign
          </button>
        )}
        <button type="button" className="button-main flex-1" disabled={!mine || !ready || doing !== null} onClick={onPublish}>
          {doing ? 'Publishing …' : 'Publish'}
        </button>
      </div>
    </div>
  );
}
