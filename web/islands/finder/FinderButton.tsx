import { Search } from 'lucide-react';
import { lazy, Suspense, useEffect, useState } from 'react';
import type { PageFound } from './pages';

/** Loaded when it is first opened. */
const Finder = lazy(async () => ({ default: (await import('./Finder')).Finder }));

/** Opens the finder, also by Ctrl+K. */
export function FinderButton({ pages }: { readonly pages: readonly PageFound[] }) {
  const [open, setOpen] = useState(false);
  useEffect(() => {
    const key = (event: KeyboardEvent): void => {
      if (event.key.toLowerCase() !== 'k' || !(event.ctrlKey || event.metaKey) || event.altKey || event.shiftKey) return;
      event.preventDefault();
      event.stopPropagation();
      setOpen((now) => !now);
    };
    // Before the stage hears the key.
    window.addEventListener('keydown', key, { capture: true });
    return () => window.removeEventListener('keydown', key, { capture: true });
  }, []);
  return (
    <>
      <button
        type="button"
        aria-label="Find"
        title="Find a page, an exercise, a gesture: Ctrl+K"
        className="grid h-9 w-9 place-items-center rounded-full hover:bg-bar"
        onClick={() => setOpen(true)}
      >
        <Search size={18} aria-hidden="true" />
      </button>
      {open && (
        <Suspense fallback={null}>
          <Finder pages={pages} onClose={() => setOpen(false)} />
        </Suspense>
      )}
    </>
  );
}
