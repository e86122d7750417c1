import { call } from '@web/ui/api';
import { lasting } from '@web/ui/carrier';
import { useEffect, useState } from 'react';

/** How often a page tells that it is open, ms; the server forgets it after three times that. */
const AGAIN = 15_000;

export interface OtherHere {
  readonly name: string;
  readonly you: boolean;
}

/** Who else edits this exercise just now, in whichever page. */
export function useOthersHere(id: string, page: string, mine: boolean): readonly OtherHere[] {
  const [others, setOthers] = useState<readonly OtherHere[]>([]);
  useEffect(() => {
    if (!mine) return;
    let open = true;
    const tell = async (left = false): Promise<void> => {
      // Whoever cannot be asked is told of nobody; saving says what is wrong.
      const told = await call('editing', { params: { id }, body: { page, left } }, lasting).catch(() => ({ others: [] }));
      if (open) setOthers(told.others);
    };
    const leave = (): void => void tell(true);
    void tell();
    const timer = setInterval(() => document.visibilityState === 'visible' && void tell(), AGAIN);
    window.addEventListener('pagehide', leave);
    return () => {
      open = false;
      clearInterval(timer);
      window.removeEventListener('pagehide', leave);
      leave();
    };
  }, [id, page, mine]);
  return others;
}

/** "Edda Quist is editing this too." */
export function othersWords(others: readonly OtherHere[]): string {
  const names = others.filter(({ you }) => !you).map(({ name }) => name);
  const self = others.some(({ you }) => you);
  const last = names.at(-1);
  const who = names.length > 1 ? `${names.slice(0, -1).join(', ')} and ${last} are` : last ? `${last} is` : '';
  const words = [who && `${who} editing this too.`, self && 'You have it open elsewhere as well.'].filter(Boolean).join(' ');
  return words && `${words} What you both change is brought together; where it differs you are asked.`;
}
