import { useState } from 'react';

/** All notes are read: more than there are of any. */
export const ALL_READ = 99;

/**
 * How many of some first notes were read, kept in this browser. `wanted`: whether they are shown to somebody who never saw
 * them here; called back they are shown to anybody.
 */
export function useFirstNotes(name: string, wanted: boolean): readonly [read: number, setRead: (count: number) => void] {
  const key = `dial-home-notes ${name}`;
  const [read, setRead] = useState(() => Number(window.localStorage.getItem(key) ?? (wanted ? 0 : ALL_READ)));
  return [
    read,
    (count) => {
      window.localStorage.setItem(key, String(count));
      setRead(count);
    },
  ];
}
