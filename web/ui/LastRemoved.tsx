import type { Removed } from '@server/repositories/removal';
import { useUndoKeys } from './useUndoKeys';

interface Props {
  readonly removed: Removed | null;
  /** Puts it back; false: it could not be, and that was said. */
  readonly onPutBack: (removed: Removed) => Promise<boolean>;
}

/** What was removed last, to be put back here or by Ctrl+Z, also after the page was loaded again. */
export function LastRemoved({ removed, onPutBack }: Props) {
  useUndoKeys(
    {
      latest: () => removed?.at ?? null,
      undo: async () => (removed && (await onPutBack(removed)) ? `“${removed.name}” removed` : null),
    },
    removed !== null,
  );
  if (!removed) return null;
  return (
    <p role="status" className="mt-1 flex items-center gap-2 text-sm">
      <span className="min-w-0 flex-1">“{removed.name}” is removed.</span>
      <button type="button" className="button-quiet text-sm" onClick={() => void onPutBack(removed)}>
        Undo
      </button>
    </p>
  );
}
