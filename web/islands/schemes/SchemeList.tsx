import { Lock } from 'lucide-react';
import { useStore } from 'zustand';
import { chosenOf, type SchemesStore } from './schemesStore';

/** The schemes there are: whose each is, and by whom one is locked. */
export function SchemeList({ store }: { readonly store: SchemesStore }) {
  const state = useStore(store);
  const chosen = chosenOf(state);
  return (
    <ul className="space-y-2 print:hidden">
      {state.list.map(({ scheme: s, ownerName, mine, lockedBy }) => (
        <li key={s.id}>
          <button
            type="button"
            aria-pressed={s.id === chosen.scheme.id}
            onClick={() => store.choose(s.id)}
            className={`card w-full px-4 py-3 text-left ${s.id === chosen.scheme.id ? '!border-ink border-2' : 'hover:border-ink'}`}
          >
            <span className="block font-semibold">{s.name}</span>
            <span className="text-ink-soft text-sm">{mine ? 'your own' : (ownerName ?? 'ships with Dial Home')}</span>
            {lockedBy && (
              <span className="mt-0.5 flex items-center gap-1 text-sm">
                <Lock size={13} aria-hidden="true" /> locked by {lockedBy}
              </span>
            )}
          </button>
        </li>
      ))}
    </ul>
  );
}
