import { say } from '@web/ui/say';
import { useEffect, useRef } from 'react';

/** Something whose changes Ctrl+Z takes back. */
export interface Undoer {
  /** When its last change was made, ms since 1970; null: there is nothing to take back. */
  latest(): number | null;
  /** Takes the last change back: what it was, null where there was nothing. */
  undo(): string | null | Promise<string | null>;
  /** Does again what was taken back last. */
  redo?(): string | null;
}

/** In a field the keys take back what was written in it, as everywhere. */
const inField = (target: EventTarget | null): boolean =>
  target instanceof Element && target.closest('input:not([type=checkbox]), textarea, [contenteditable]') !== null;

/** What the page can take back; of several, the one that changed last comes first. */
const undoers = new Set<Undoer>();

const newest = (): Undoer | undefined => [...undoers].sort((a, b) => (b.latest() ?? -1) - (a.latest() ?? -1))[0];

async function onKey(event: KeyboardEvent): Promise<void> {
  if (!(event.ctrlKey || event.metaKey) || event.altKey || inField(event.target)) return;
  const pressed = event.key.toLowerCase();
  if (pressed !== 'z' && pressed !== 'y') return;
  event.preventDefault();
  event.stopPropagation();
  const again = pressed === 'y' || event.shiftKey;
  const words = again ? [...undoers].map((each) => each.redo?.() ?? null).find((each) => each !== null) : await newest()?.undo();
  say(words ? `${again ? 'Redone' : 'Undone'}: ${words}.` : `Nothing to ${again ? 'redo' : 'undo'}.`);
}

/** Ctrl+Z takes the last change back, Ctrl+Shift+Z or Ctrl+Y does it again. */
export function useUndoKeys(undoer: Undoer, on: boolean): void {
  const present = useRef(undoer);
  useEffect(() => {
    present.current = undoer;
  });
  useEffect(() => {
    if (!on) return;
    const mine: Undoer = {
      latest: () => present.current.latest(),
      undo: () => present.current.undo(),
      redo: () => present.current.redo?.() ?? null,
    };
    if (undoers.size === 0) window.addEventListener('keydown', onKey, { capture: true });
    undoers.add(mine);
    return () => {
      undoers.delete(mine);
      if (undoers.size === 0) window.removeEventListener('keydown', onKey, { capture: true });
    };
  }, [on]);
}
