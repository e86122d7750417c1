import { lazy, Suspense, useEffect, useState } from 'react';
import { useStore } from 'zustand';
import { said } from './say';

export const loadToasts = () => import('./Toasts');

/** Where the piece that shows words cannot be fetched: the words themselves. */
function Plainly() {
  const waiting = useStore(said, (s) => s.waiting);
  return (
    <p role="alert" className="-translate-x-1/2 card fixed top-4 left-1/2 z-50 border-2 border-ink p-3 text-sm">
      {waiting.at(-1)?.words}
    </p>
  );
}

const Toasts = lazy(async () => {
  try {
    return { default: (await loadToasts()).Toasts };
  } catch {
    return { default: Plainly };
  }
});

/** Where a screen says in passing what happened, loaded when something is first said. */
export function Saying() {
  const any = useStore(said, (s) => s.waiting.length > 0);
  const [on, setOn] = useState(false);
  useEffect(() => {
    if (any) setOn(true);
  }, [any]);
  return on ? (
    <Suspense>
      <Toasts />
    </Suspense>
  ) : null;
}
