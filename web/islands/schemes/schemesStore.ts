import type { Scheme } from '@core/input';
import type { SchemeSeen } from '@server/services/schemes';
import { call, Refused } from '@web/ui/api';
import { createStore, type StoreApi } from 'zustand/vanilla';

export type SchemeView = 'card' | 'change' | 'bench';

export interface SchemesState {
  readonly list: readonly SchemeSeen[];
  /** The scheme that is looked at. */
  readonly id: string;
  /** The scheme as it was changed and not saved yet. */
  readonly draft: Scheme | null;
  readonly view: SchemeView;
  /** Whether it is asked about removing it. */
  readonly removing: boolean;
  /** The scheme to go to, while it is asked whether changes may be left. */
  readonly leaving: string | null;
}

/** The schemes there are and the one that is looked at. What goes to the server throws where it is refused. */
export interface SchemesStore extends StoreApi<SchemesState> {
  chosen(): SchemeSeen;
  /** The chosen scheme as it stands on the screen. */
  scheme(): Scheme;
  open(id: string, view: SchemeView): void;
  /** Goes to another scheme, or asks first where changes would be lost. */
  choose(id: string): void;
  duplicate(): Promise<void>;
  importFile(text: string): Promise<void>;
  save(): Promise<void>;
  share(groupId: string, how: 'none' | 'shared' | 'locked'): Promise<void>;
  remove(): Promise<void>;
}

export const chosenOf = ({ list, id }: Pick<SchemesState, 'list' | 'id'>): SchemeSeen => list.find((s) => s.scheme.id === id) ?? (list[0] as SchemeSeen);

export function createSchemesStore(seen: readonly SchemeSeen[]): SchemesStore {
  const store = createStore<SchemesState>(() => ({ list: seen, id: seen[0]?.scheme.id ?? '', draft: null, view: 'card', removing: false, leaving: null }));
  const chosen = (): SchemeSeen => chosenOf(store.getState());
  const reload = async (): Promise<void> => store.setState({ list: (await call('schemes', {})).schemes as unknown as readonly SchemeSeen[] });
  const open = (id: string, view: SchemeView): void => store.setState({ draft: null, id, view });
  const made = async (work: Promise<{ readonly id: string }>): Promise<void> => {
    const scheme = await work;
    await reload();
    open(scheme.id, 'change');
  };
  return {
    ...store,
    chosen,
    scheme: () => store.getState().draft ?? chosen().scheme,
    open,
    choose(id) {
      const { draft, view } = store.getState();
      if (draft) store.setState({ leaving: id });
      else open(id, view === 'bench' ? 'bench' : 'card');
    },
    duplicate: () => made(call('makeScheme', { body: { from: chosen().scheme.id } })),
    importFile: (text) => made(call('makeScheme', { body: { file: text } })),
    async save() {
      const { draft } = store.getState();
      if (!draft) return;
      try {
        await call('saveScheme', { params: { id: draft.id }, body: { base: chosen().scheme.revision, scheme: draft } });
      } catch (error) {
        // What was changed stays on the screen; the newer one is fetched, so that saving again is a choice.
        if (error instanceof Refused && error.code === 'changed') await reload();
        throw error;
      }
      await reload();
      store.setState({ draft: null });
    },
    async share(groupId, how) {
      await call('shareScheme', { params: { id: chosen().scheme.id }, body: { groupId, how } });
      await reload();
    },
    async remove() {
      await call('removeScheme', { params: { id: chosen().scheme.id } });
      await reload();
      open(store.getState().list[0]?.scheme.id ?? '', 'card');
    },
  };
}
