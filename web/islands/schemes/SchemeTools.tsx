import type { Scheme } from '@core/input';
import { writeSchemeFile } from '@formats/schemeFile';
import { Copy, Download, Printer, Trash2 } from 'lucide-react';
import { useStore } from 'zustand';
import { chosenOf, type SchemesStore } from './schemesStore';

interface Props {
  readonly store: SchemesStore;
  /** Groups that the one who looks leads. */
  readonly groups: readonly { readonly id: string; readonly name: string }[];
  /** Does work, and says what it was refused for. */
  readonly doing: (work: Promise<void>) => void;
}

function download(scheme: Scheme): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(new Blob([writeSchemeFile(scheme)], { type: 'application/json' }));
  link.download = `${scheme.name.replace(/[^\w-]+/g, ' ').trim() || 'scheme'}.json`;
  link.click();
  URL.revokeObjectURL(link.href);
}

/** What can be done with a scheme: duplicate, export, print, remove, share. */
export function SchemeTools({ store, groups, doing }: Props) {
  const state = useStore(store);
  const chosen = chosenOf(state);
  const shareOf = (groupId: string): 'none' | 'shared' | 'locked' => {
    const share = chosen.shares.find((s) => s.groupId === groupId);
    return share ? (share.locked ? 'locked' : 'shared') : 'none';
  };
  return (
    <div className="mt-3 mb-4 flex flex-wrap gap-1.5 print:hidden">
      <button type="button" className="button !px-3 !py-1 text-sm" onClick={() => doing(store.duplicate())}>
        <Copy size={14} aria-hidden="true" /> Duplicate
      </button>
      <button type="button" className="button !px-3 !py-1 text-sm" onClick={() => download(store.scheme())}>
        <Download size={14} aria-hidden="true" /> Export
      </button>
      {state.view === 'card' && (
        <button type="button" className="button !px-3 !py-1 text-sm" onClick={() => window.print()}>
          <Printer size={14} aria-hidden="true" /> Print
        </button>
      )}
      {chosen.mine && (
        <button type="button" className="button !px-3 !py-1 text-sm" onClick={() => store.setState({ removing: true })}>
          <Trash2 size={14} aria-hidden="true" /> Remove
        </button>
      )}
      {chosen.mine &&
        groups.map((group) => (
          <label key={group.id} className="flex items-center gap-1.5 text-sm">
            {group.name}:
            <select
              className="field !w-auto !py-1 text-sm"
              value={shareOf(group.id)}
              onChange={(e) => doing(store.share(group.id, e.target.value as 'none' | 'shared' | 'locked'))}
            >
              <option value="none">not shared</option>
              <option value="shared">shared</option>
              <option value="locked">locked: only this one</option>
            </select>
          </label>
        ))}
    </div>
  );
}
