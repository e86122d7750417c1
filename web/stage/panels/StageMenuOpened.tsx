import { Popover } from 'radix-ui';
import { useState } from 'react';
import type { StageMenuProps } from './StageMenu';

/** The menu once it has been asked for: it comes opened, and leaves the keyboard to the stage when it closes. */
export function StageMenuOpened({ label, tip, icon, width, children }: StageMenuProps) {
  const [open, setOpen] = useState(true);
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger className="stage-button" title={tip}>
        {icon} {label}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="start"
          sideOffset={6}
          className={`z-30 rounded-xl border-2 border-ink bg-card p-2 shadow-lg ${width}`}
          aria-label={label}
          onCloseAutoFocus={(event) => event.preventDefault()}
        >
          {children(() => setOpen(false))}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
