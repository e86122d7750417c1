import { Tooltip } from 'radix-ui';
import type { ReactElement } from 'react';

interface Props {
  readonly words: string;
  /** The gesture that does the same, if there is one. */
  readonly shortcut: string | null;
  readonly children: ReactElement;
}

const DELAY_MS = 350;

/** What a tool does and its shortcut, while it is hovered or has the focus. */
export function Tip({ words, shortcut, children }: Props) {
  return (
    <Tooltip.Provider delayDuration={DELAY_MS}>
      <Tooltip.Root>
        <Tooltip.Trigger asChild>{children}</Tooltip.Trigger>
        <Tooltip.Portal>
          <Tooltip.Content sideOffset={5} className="z-50 flex items-center gap-2 rounded-lg bg-ink px-2.5 py-1 text-paper text-xs shadow-lg">
            {words}
            {shortcut && <span className="rounded border border-paper/60 px-1 font-mono">{shortcut}</span>}
          </Tooltip.Content>
        </Tooltip.Portal>
      </Tooltip.Root>
    </Tooltip.Provider>
  );
}
