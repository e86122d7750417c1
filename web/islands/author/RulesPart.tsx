import { COMMAND_GROUP_IDS, COMMAND_GROUPS } from '@core/exercise';
import type { Scheme } from '@core/input';
import { Part, Tick } from '@web/ui/fields';
import { useStore } from 'zustand';
import type { DraftStore } from './draftStore';

/** With or without an item of a list. */
const withItem = <T extends string>(list: readonly T[], item: T, on: boolean): T[] => (on ? [...list, item] : list.filter((x) => x !== item));

/** Help, and what is allowed. */
export function RulesPart({ store, schemes }: { readonly store: DraftStore; readonly schemes: readonly Scheme[] }) {
  const { draft } = useStore(store);
  return (
    <Part title="Help and rules">
      <Tick
        label="Live help: closeness in words and bars"
        checked={draft.liveHelp && draft.showTarget}
        onChange={(liveHelp) => store.set({ liveHelp, ...(liveHelp ? { showTarget: true } : {}) })}
      />
      <Tick
        label="The browser may know the target (needed for live help)"
        checked={draft.showTarget}
        onChange={(showTarget) => store.set({ showTarget, ...(showTarget ? {} : { liveHelp: false }) })}
      />
      <p className="mt-3 mb-1 font-semibold text-sm">Allowed</p>
      <div className="grid grid-cols-2">
        {COMMAND_GROUP_IDS.map((group) => (
          <Tick
            key={group}
            label={COMMAND_GROUPS[group].label}
            checked={draft.allowed.includes(group)}
            onChange={(on) => store.set({ allowed: withItem(draft.allowed, group, on) })}
          />
        ))}
      </div>
      <p className="mt-3 mb-1 font-semibold text-sm">Meant for schemes (none ticked: all)</p>
      {schemes.map((s) => (
        <Tick key={s.id} label={s.name} checked={draft.schemes.includes(s.id)} onChange={(on) => store.set({ schemes: withItem(draft.schemes, s.id, on) })} />
      ))}
    </Part>
  );
}
