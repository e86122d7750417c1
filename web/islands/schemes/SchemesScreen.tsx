import type { SchemeSeen } from '@server/services/schemes';
import { wordsOf } from '@web/ui/api';
import { Ask } from '@web/ui/Sheet';
import { Toasts } from '@web/ui/Toasts';
import { Upload } from 'lucide-react';
import { useRef, useState } from 'react';
import { toast } from 'sonner';
import { useStore } from 'zustand';
import { SchemeList } from './SchemeList';
import { SchemePart } from './SchemePart';
import { chosenOf, createSchemesStore } from './schemesStore';

interface Props {
  readonly seen: readonly SchemeSeen[];
  /** Groups that the one who looks leads. */
  readonly groups: readonly { readonly id: string; readonly name: string }[];
}

/** Waits for work, and says what it was refused for. */
const doing = (work: Promise<void>): void => void work.catch((error: unknown) => toast.error(wordsOf(error)));

/** The schemes there are: their cards, one's own to change, and a bench that shows what a device sends. */
export function SchemesScreen({ seen, groups }: Props) {
  const [store] = useState(() => createSchemesStore(seen));
  const state = useStore(store);
  const { scheme } = chosenOf(state);
  const name = (state.draft ?? scheme).name;
  const file = useRef<HTMLInputElement>(null);
  return (
    <div>
      <Toasts />
      <div className="flex flex-wrap items-end justify-between gap-4 print:hidden">
        <div>
          <h1 className="text-3xl">Schemes</h1>
          <p className="mt-1 text-ink-soft">A scheme says which gesture does what. Duplicate one to make it your own.</p>
        </div>
        <div className="flex gap-2">
          <button type="button" className="button" onClick={() => file.current?.click()}>
            <Upload size={16} aria-hidden="true" /> Import a file
          </button>
          <input
            ref={file}
            type="file"
            accept=".json,application/json"
            aria-label="Scheme file"
            className="sr-only"
            onChange={(event) => {
              const picked = event.target.files?.[0];
              event.target.value = '';
              if (picked) doing(picked.text().then(store.importFile));
            }}
          />
        </div>
      </div>
      <div className="mt-6 grid gap-8 md:grid-cols-[16rem_1fr] print:mt-0 print:block">
        <SchemeList store={store} />
        <SchemePart store={store} groups={groups} doing={doing} />
      </div>
      <Ask
        open={state.removing}
        onOpenChange={(removing) => store.setState({ removing })}
        title={`Remove ${scheme.name}?`}
        about="Nobody can practise with it any more. Attempts that were made with it keep it."
        yes="Remove it"
        no="Keep it"
        onYes={() => doing(store.remove())}
      />
      <Ask
        open={state.leaving !== null}
        onOpenChange={(open) => !open && store.setState({ leaving: null })}
        title="Leave without saving?"
        about={`Your changes to ${name} are not saved yet.`}
        yes="Leave them"
        no="Stay here"
        onYes={() => {
          if (state.leaving) store.open(state.leaving, 'card');
          store.setState({ leaving: null });
        }}
      />
    </div>
  );
}
