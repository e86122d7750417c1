import { useEffect, useState } from 'react';
import { flushSync } from 'react-dom';

const lookNow = (): string => document.documentElement.dataset.theme ?? 'day';

/** The theme as it stands now: who reads its tokens is drawn again when it changes. */
export function useLook(): string {
  const [look, setLook] = useState('day');
  useEffect(() => {
    setLook(lookNow());
    // At once: before printing there is no later.
    const observer = new MutationObserver(() => flushSync(() => setLook(lookNow())));
    observer.observe(document.documentElement, { attributeFilter: ['data-theme'] });
    return () => observer.disconnect();
  }, []);
  return look;
}
