import { Popover } from 'radix-ui';
import { useMemo } from 'react';
import { ALL_READ } from './useFirstNotes';

export interface FirstNote {
  /** Where it points: an element says it by `data-note`. */
  readonly place: string;
  readonly side: 'top' | 'right' | 'bottom' | 'left';
  readonly title: string;
  readonly words: string;
}

interface Props {
  readonly notes: readonly FirstNote[];
  /** How many were read. */
  readonly at: number;
  /** They were read up to a number, or all of them are put away. */
  readonly onRead: (count: number) => void;
}

const placeOf = (note: FirstNote): HTMLElement | null => document.querySelector(`[data-note="${note.place}"]`);
const isSeen = (note: FirstNote): boolean => (placeOf(note)?.getClientRects().length ?? 0) > 0;

/** Short notes for who is here for the first time, one after the other, each beside what it is about. The hand goes on meanwhile. */
export function FirstNotes({ notes, at, onRead }: Props) {
  const index = notes.findIndex((note, i) => i >= at && isSeen(note));
  const note = notes[index];
  const anchor = useMemo(() => ({ current: { getBoundingClientRect: () => (note && placeOf(note)?.getBoundingClientRect()) ?? new DOMRect() } }), [note]);
  if (!note) return null;
  const isLast = !notes.some((later, i) => i > index && isSeen(later));
  return (
    <Popover.Root open>
      <Popover.Anchor virtualRef={anchor} />
      <Popover.Portal>
        <Popover.Content
          key={note.place}
          side={note.side}
          align="start"
          sideOffset={8}
          collisionPadding={8}
          updatePositionStrategy="always"
          // No dialog: the keys stay those of the stage.
          role="note"
          aria-label={note.title}
          data-testid="first-note"
          className="z-30 w-72 max-w-[calc(100vw-1rem)] rounded-xl bg-ink p-4 text-paper shadow-xl"
          onOpenAutoFocus={(event) => event.preventDefault()}
          onInteractOutside={(event) => event.preventDefault()}
          onEscapeKeyDown={() => onRead(ALL_READ)}
        >
          <div aria-live="polite">
            <p className="font-bold font-display text-lg leading-tight">{note.title}</p>
            <p className="mt-1 text-sm">{note.words}</p>
          </div>
          <div className="mt-3 flex items-center gap-3 text-sm">
            <span className="mr-auto font-mono text-xs">
              {index + 1} of {notes.length}
            </span>
            {!isLast && (
              <button type="button" className="rounded-md px-2 py-1 underline underline-offset-4" onClick={() => onRead(ALL_READ)}>
                No more notes
              </button>
            )}
            <button type="button" className="rounded-lg bg-paper px-3 py-1 font-semibold text-ink" onClick={() => onRead(isLast ? ALL_READ : index + 1)}>
              {isLast ? 'Understood' : 'Next'}
            </button>
          </div>
          <Popover.Arrow width={16} height={8} className="fill-ink" />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
