import { type LabelledScheme, shortcutFor } from '@core/input';
import type { Recorder } from '@web/stage/recorder';
import { type FirstNote, FirstNotes } from '@web/ui/FirstNotes';
import { useEffect, useState } from 'react';
import { useStore } from 'zustand';

const notesFor = (scheme: LabelledScheme, end: string): readonly FirstNote[] => {
  const orbit = shortcutFor(scheme, { kind: 'move', does: 'orbit' }, scheme.labels);
  return [
    {
      place: 'stage',
      // On a large stage in it, by a small one below.
      side: window.innerWidth < 700 ? 'bottom' : 'top',
      title: 'This is the stage',
      words: `What you see in this frame is what counts.${orbit ? ` Try it: ${orbit} goes round the model.` : ''} The scheme card (?) has every other gesture.`,
    },
    {
      place: 'dial',
      side: 'right',
      title: 'The dial tells where you look from',
      words: 'The filled dot is you, the hollow ring is the target. Press a name or a dot, or drag the ring, and the view goes there.',
    },
    { place: 'wake', side: 'top', title: 'Your wake', words: 'Every gesture leaves a dot. Press one to go back there: no way you take is lost.' },
    {
      place: 'actions',
      side: 'top',
      title: `When it looks right, press ${end}`,
      words: 'The sentence says what to change first; the bars fill as you come nearer. You may try as often as you like.',
    },
  ];
};

interface Props {
  readonly session: Recorder;
  readonly scheme: LabelledScheme;
  /** What ends the step. */
  readonly end: string;
  readonly read: number;
  readonly onRead: (count: number) => void;
}

/** What stage, dial, wake and the end of a step are, told to a newcomer as they are used: each gesture made is a note read. */
export function FirstMinutes({ session, scheme, end, read, onRead }: Props) {
  const made = useStore(session, ({ fixes }) => fixes.length - 1);
  const notes = notesFor(scheme, end);
  // Called back in mid attempt, they begin with the first: what was made before counts nothing.
  const [from] = useState({ made, read });
  const used = Math.min(from.read + made - from.made, notes.length - 1);
  useEffect(() => {
    if (used > read) onRead(used);
  }, [used, read, onRead]);
  return <FirstNotes notes={notes} at={read} onRead={onRead} />;
}
