import { Tooltip } from 'radix-ui';
import type { ReactNode } from 'react';
import { createPortal } from 'react-dom';
import type { TipWords } from './Tip';

interface Props extends TipWords {
  readonly id: string;
  /** What it tells of. */
  readonly over: Element;
  readonly onClose: () => void;
}

/** A tip beside what it tells of, as long as it is there. */
export function TipShown({ id, over, words, shortcut, onClose }: Props): ReactNode {
  const { left, top, width, height } = over.getBoundingClientRect();
  return createPortal(
    <Tooltip.Provider>
      <Tooltip.Root open onOpenChange={(open) => !open && onClose()}>
        <Tooltip.Trigger asChild>
          <span aria-hidden="true" className="pointer-events-none fixed" style={{ left, top, width, height }} />
        </Tooltip.Trigger>
        <Tooltip.Portal>
          <Tooltip.Content id={id} sideOffset={5} className="z-50 flex items-center gap-2 rounded-lg bg-ink px-2.5 py-1 text-paper text-xs shadow-lg">
            {words}
            {shortcut && <span className="rounded border border-paper/60 px-1 font-mono">{shortcut}</span>}
          </Tooltip.Content>
        </Tooltip.Portal>
      </Tooltip.Root>
    </Tooltip.Provider>,
    document.body,
  );
}
