import { AID_WORDS, type Aid, type Scheme, shortcutFor } from '@core/input';
import { useKeyLabels } from '@web/ui/keyLabels';
import { Eye } from 'lucide-react';
import { useStore } from 'zustand';
import type { Aids } from '../aids';
import { StageMenu } from './StageMenu';

const SHOWN: readonly Aid[] = ['grid', 'names', 'landmarks', 'loupe', 'fourViews', 'panels', 'standing', 'measuring'];

/** What helps the eye, in words with its keys: a grid, names, a loupe, four views, a stage without panels, standing inside, measuring. */
export function AidsMenu({ aids, scheme, onTell }: { readonly aids: Aids; readonly scheme: Scheme; readonly onTell: () => void }) {
  const labels = useKeyLabels();
  const state = useStore(aids);
  const on = (aid: Aid): boolean => (aid === 'grid' ? state.grid !== null : aid === 'panels' ? !state.panels : Boolean(state[aid as keyof typeof state]));
  return (
    <StageMenu label="Aids" tip="What helps the eye: grid, names, loupe, four views, standing inside" icon={<Eye size={15} aria-hidden="true" />} width="w-80">
      {(close) => (
        <>
          {SHOWN.map((aid) => (
            <button
              key={aid}
              type="button"
              aria-pressed={on(aid)}
              className="flex w-full items-center justify-between gap-3 rounded-lg px-2.5 py-1.5 text-left text-sm hover:bg-bar"
              onClick={() => aids.toggle(aid, null)}
            >
              <span className={on(aid) ? 'font-bold' : ''}>
                {on(aid) ? '✓ ' : ''}
                {AID_WORDS[aid]}
              </span>
              <span className="kbd">{shortcutFor(scheme, { kind: 'aid', does: aid }, labels)}</span>
            </button>
          ))}
          <button
            type="button"
            className="flex w-full rounded-lg px-2.5 py-1.5 text-left text-sm hover:bg-bar"
            onClick={() => {
              close();
              onTell();
            }}
          >
            Tell in words what is seen
          </button>
        </>
      )}
    </StageMenu>
  );
}
