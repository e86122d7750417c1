import { SchemeCard } from '@web/ui/SchemeCard';
import { toast } from 'sonner';
import { useStore } from 'zustand';
import { SchemeEditor } from './SchemeEditor';
import { SchemeTools } from './SchemeTools';
import { chosenOf, type SchemesStore } from './schemesStore';
import { TestBench } from './TestBench';

const VIEWS = { card: 'Scheme card', change: 'Change it', bench: 'Test bench' } as const;

interface Props {
  readonly store: SchemesStore;
  readonly groups: readonly { readonly id: string; readonly name: string }[];
  readonly doing: (work: Promise<void>) => void;
}

/** One scheme: its card, the bench, or, where it is one's own, what changes it. */
export function SchemePart({ store, groups, doing }: Props) {
  const state = useStore(store);
  const { draft, view } = state;
  const { mine, scheme: saved } = chosenOf(state);
  const scheme = draft ?? saved;
  const shown = mine ? (['card', 'change', 'bench'] as const) : (['card', 'bench'] as const);
  const save = async (): Promise<void> => {
    await store.save();
    toast.success('Saved. Attempts from now on are made with it.');
  };
  return (
    <section aria-label="Scheme" className="card p-6 print:border-0 print:p-0">
      <div className="flex flex-wrap items-start justify-between gap-3">
        {mine && view === 'change' ? (
          <label className="block flex-1">
            <span className="sr-only">Name of the scheme</span>
            <input
              className="field font-display !text-xl"
              maxLength={80}
              value={scheme.name}
              onChange={(e) => store.setState({ draft: { ...scheme, name: e.target.value } })}
            />
          </label>
        ) : (
          <h2 className="text-xl">{scheme.name}</h2>
        )}
        <div className="flex flex-wrap gap-1.5 print:hidden" role="group" aria-label="What to show">
          {shown.map((each) => (
            <button
              key={each}
              type="button"
              aria-pressed={view === each}
              className={`rounded-lg border px-3 py-1 text-sm ${view === each ? 'border-ink bg-ink text-paper' : 'border-rule hover:border-ink'}`}
              onClick={() => store.setState({ view: each })}
            >
              {VIEWS[each]}
            </button>
          ))}
        </div>
      </div>
      <SchemeTools store={store} groups={groups} doing={doing} />
      {view === 'card' && <SchemeCard scheme={scheme} />}
      {view === 'bench' && <TestBench scheme={scheme} />}
      {view === 'change' && mine && (
        <>
          <SchemeEditor scheme={scheme} onChange={(changed) => store.setState({ draft: changed })} />
          <div className="sticky bottom-0 mt-4 flex items-center gap-3 border-ink border-t bg-card py-3">
            <p className="flex-1 text-sm" role="status">
              {draft ? 'Not saved yet.' : 'Saved.'}
            </p>
            <button type="button" className="button" disabled={!draft} onClick={() => store.setState({ draft: null })}>
              Undo all changes
            </button>
            <button type="button" className="button-main" disabled={!draft || scheme.name.trim() === ''} onClick={() => doing(save())}>
              Save
            </button>
          </div>
        </>
      )}
    </section>
  );
}
