import { AID_WORDS, type Aid, type Scheme, shortcutFor } from '@core/input';
import { useKeyLabels } from '@web/ui/keyLabels';
import { Eye } from 'lucide-react';
import { Popover } from 'radix-ui';
import { useStore } from 'zustand';
import type { Aids } from '../aids';

const SHOWN: readonly Aid[] = ['grid', 'names', 'landmarks', 'loupe', 'fourViews', 'panels', 'standing'];

/** What helps the eye, in words with its keys: a grid, names, a loupe, four views, a stage without panels, standing inside. */
export function AidsMenu({ aids, scheme }: { readonly aids: Aids; readonly scheme: Scheme }) {
  const labels = useKeyLabels();
  const state = useStore(aids);
  const on = (aid: Aid): boolean => (aid === 'grid' ? state.grid !== null : aid === 'panels' ? !state.panels : Boolean(state[aid as keyof typeof state]));
  return (
    <Popover.Root>
      <Popover.Trigger className="stage-button">
        <Eye size={15} aria-hidden="true" /> Aids
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="start"
          sideOffset={6}
          className="z-30 w-80 rounded-xl border-2 border-ink bg-card p-2 shadow-lg"
          aria-label="Aids"
          onCloseAutoFocus={(event) => event.preventDefault()}
        >
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
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
