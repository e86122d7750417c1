import { useEffect } from 'react';
import { Toaster, toast } from 'sonner';
import { said, takeSaid } from './say';

/** How long words stay that hold nothing to press: as long as they take to read, and at least so long, ms. */
const STAY = 6000;
const EACH_LETTER = 70;

/** In the theme's own colours, by day and by night. */
const PAPER = {
  background: 'var(--color-card)',
  color: 'var(--color-ink)',
  border: '2px solid var(--color-ink)',
  borderRadius: '0.75rem',
  fontFamily: 'inherit',
  fontSize: '0.875rem',
};
const INK = { background: 'var(--color-ink)', color: 'var(--color-paper)', borderRadius: '0.5rem' };

const show = (): void => {
  for (const { words, wrong } of takeSaid()) (wrong ? toast.error : toast)(words, { duration: Math.max(STAY, EACH_LETTER * words.length) });
};

/** Where a screen says in passing what happened. */
export function Toasts() {
  useEffect(() => {
    show();
    return said.subscribe(show);
  }, []);
  return <Toaster position="top-center" duration={STAY} closeButton toastOptions={{ style: PAPER, actionButtonStyle: INK }} />;
}

/** Words with something to press: they stay until that, or the cross beside it, is pressed. */
export function offer(words: string, label: string, onPress: () => void): void {
  toast(words, { duration: Number.POSITIVE_INFINITY, action: { label, onClick: onPress } });
}
