import { X } from 'lucide-react';
import { Dialog } from 'radix-ui';
import type { ReactNode } from 'react';

interface Props {
  readonly open: boolean;
  readonly onOpenChange: (open: boolean) => void;
  readonly title: string;
  readonly about?: string;
  readonly children: ReactNode;
  readonly wide?: boolean;
}

/** A sheet laid over the page. Escape and a press beside it close it. */
export function Sheet({ open, onOpenChange, title, about, children, wide = false }: Props) {
  return (
    <Dialog.Root open={open} onOpenChange={onOpenChange}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-veil" />
        <Dialog.Content
          {...(about ? {} : { 'aria-describedby': undefined })}
          className={`fixed top-1/2 left-1/2 z-50 flex max-h-[95vh] -translate-x-1/2 -translate-y-1/2 flex-col rounded-2xl border-2 border-ink bg-paper p-6 shadow-2xl ${wide ? 'w-[min(1180px,96vw)]' : 'w-[min(520px,94vw)]'}`}
        >
          <div className="flex items-start justify-between gap-4">
            <Dialog.Title className="font-bold font-display text-2xl">{title}</Dialog.Title>
            <Dialog.Close aria-label="Close" className="grid h-9 w-9 place-items-center rounded-full hover:bg-bar">
              <X size={20} aria-hidden="true" />
            </Dialog.Close>
          </div>
          {about && <Dialog.Description className="mt-1 text-ink-soft">{about}</Dialog.Description>}
          <div className="mt-4 min-h-0 overflow-y-auto">{children}</div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

interface EndProps {
  /** What went wrong, in words. */
  readonly error?: string | null;
  readonly no: string;
  readonly onNo: () => void;
  readonly yes: string;
  readonly onYes: () => void;
  readonly off?: boolean;
}

/** The foot of a sheet: what went wrong, and the two ways on. */
export function SheetEnd({ error = null, no, onNo, yes, onYes, off = false }: EndProps) {
  return (
    <>
      {error && (
        <p role="alert" className="text-signal">
          {error}
        </p>
      )}
      <div className="flex justify-end gap-3 p-1">
        <button type="button" className="button" onClick={onNo}>
          {no}
        </button>
        <button type="button" className="button-main" disabled={off} onClick={onYes}>
          {yes}
        </button>
      </div>
    </>
  );
}

interface AskProps {
  readonly open: boolean;
  readonly onOpenChange: (open: boolean) => void;
  readonly title: string;
  readonly about: string;
  readonly yes: string;
  readonly no: string;
  readonly onYes: () => void;
}

/** One question before something that cannot be taken back. */
export function Ask({ open, onOpenChange, title, about, yes, no, onYes }: AskProps) {
  return (
    <Sheet open={open} onOpenChange={onOpenChange} title={title} about={about}>
      <SheetEnd
        no={no}
        onNo={() => onOpenChange(false)}
        yes={yes}
        onYes={() => {
          onOpenChange(false);
          onYes();
        }}
      />
    </Sheet>
  );
}
