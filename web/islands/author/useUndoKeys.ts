import { useEffect } from 'react';
import { toast } from 'sonner';
import type { DraftStore } from './draftStore';

/** In a field the keys take back what was written in it, as everywhere. */
const inField = (target: EventTarget | null): boolean =>
  target instanceof Element && target.closest('input:not([type=checkbox]), textarea, [contenteditable]') !== null;

/** Ctrl+Z takes the last change of the draft back, Ctrl+Shift+Z or Ctrl+Y does it again. */
export function useUndoKeys(store: DraftStore, on: boolean): void {
  useEffect(() => {
    if (!on) return;
    const key = (event: KeyboardEvent): void => {
      if (!(event.ctrlKey || event.metaKey) || event.altKey || inField(event.target)) return;
      const pressed = event.key.toLowerCase();
      if (pressed !== 'z' && pressed !== 'y') return;
      event.preventDefault();
      event.stopPropagation();
      const again = pressed === 'y' || event.shiftKey;
      const words = again ? store.redo() : store.undo();
      toast(words ? `${again ? 'Redone' : 'Undone'}: ${words}.` : `Nothing to ${again ? 'redo' : 'undo'}.`);
    };
    window.addEventListener('keydown', key, { capture: true });
    return () => window.removeEventListener('keydown', key, { capture: true });
  }, [store, on]);
}
