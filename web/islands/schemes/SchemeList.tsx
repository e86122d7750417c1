import type { SchemeSeen } from '@server/services/schemes';
import { Lock } from 'lucide-react';
import { useStore } from 'zustand';
import { chosenOf, type SchemesStore } from './schemesStore';

const whose = ({ mine, ownerName }: SchemeSeen): string => (mine ? 'your own' : (ownerName ?? 'ships with Dial Home'));

/** The schemes there are: whose each is, and by whom one is locked; where there is no room beside the chosen one, a list that opens. */
export function SchemeList({ store }: { readonly store: SchemesStore }) {
  const state = useStore(store);
  const chosen = chosenOf(state).scheme.id;
  return (
    <div className="print:hidden">
      <label className="block md:hidden">
        <span className="mb-1 block font-semibold text-sm">Scheme</span>
        <select className="field" value={chosen} onChange={(event) => store.choose(event.target.value)}>
          {state.list.map((seen) => (
            <option key={seen.scheme.id} value={seen.scheme.id}>
              {seen.scheme.name}, {seen.lockedBy ? `locked by ${seen.lockedBy}` : whose(seen)}
            </option>
          ))}
        </select>
      </label>
      <ul className="space-y-2 max-md:hidden">
        {state.list.map((seen) => (
          <li key={seen.scheme.id}>
            <button
              type="button"
              aria-pressed={seen.scheme.id === chosen}
              onClick={() => store.choose(seen.scheme.id)}
              className={`card w-full px-4 py-3 text-left ${seen.scheme.id === chosen ? '!border-ink border-2' : 'hover:border-ink'}`}
            >
              <span className="block font-semibold">{seen.scheme.name}</span>
              <span className="text-ink-soft text-sm">{whose(seen)}</span>
              {seen.lockedBy && (
                <span className="mt-0.5 flex items-center gap-1 text-sm">
                  <Lock size={13} aria-hidden="true" /> locked by {seen.lockedBy}
                </span>
              )}
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}
