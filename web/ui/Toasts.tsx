import { Toaster, toast } from 'sonner';

/** How long words stay that hold nothing to press, ms. */
const STAY = 6000;

/** Where a screen says in passing what happened. */
export function Toasts() {
  return <Toaster position="top-center" duration={STAY} closeButton />;
}

/** Words with something to press: they stay until that, or the cross beside it, is pressed. */
export function offer(words: string, label: string, onPress: () => void): void {
  toast(words, { duration: Number.POSITIVE_INFINITY, action: { label, onClick: onPress } });
}
