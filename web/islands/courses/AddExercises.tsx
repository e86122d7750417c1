import { Tick } from '@web/ui/fields';
import { SearchField } from '@web/ui/SearchField';
import { Sheet, SheetEnd } from '@web/ui/Sheet';
import { useState } from 'react';
import type { Choosable } from './course';

interface Props {
  readonly open: boolean;
  readonly onOpenChange: (open: boolean) => void;
  readonly unit: string;
  /** Exercises that are not in the course yet. */
  readonly free: readonly Choosable[];
  readonly onAdd: (ids: readonly string[]) => void;
}

/** Chooses exercises for a unit. */
export function AddExercises({ open, onOpenChange, unit, free, onAdd }: Props) {
  const [chosen, setChosen] = useState<readonly string[]>([]);
  const [sought, setSought] = useState('');
  const found = free.filter(({ title }) => title.toLowerCase().includes(sought.trim().toLowerCase()));
  const close = (): void => {
    setChosen([]);
    setSought('');
    onOpenChange(false);
  };
  return (
    <Sheet
      open={open}
      onOpenChange={(next) => (next ? onOpenChange(true) : close())}
      title="Add exercises"
      about={`To “${unit}”, in the order in which you choose them.`}
    >
      <div className="p-1">
        <SearchField label="Look for an exercise" placeholder="Look for an exercise" value={sought} onChange={setSought} />
        <ul className="mt-3 max-h-[45vh] overflow-y-auto">
          {found.map(({ id, title, version }) => (
            <li key={id} className="flex items-center justify-between gap-3 border-rule border-b py-1">
              <Tick label={title} checked={chosen.includes(id)} onChange={(on) => setChosen(on ? [...chosen, id] : chosen.filter((each) => each !== id))} />
              {version === 0 && <span className="whitespace-nowrap text-amber text-xs">not published yet</span>}
            </li>
          ))}
        </ul>
        {free.length === 0 && <p className="mt-3 text-ink-soft">Every exercise that you may use is in the course: build another one first.</p>}
        {free.length > 0 && found.length === 0 && <p className="mt-3 text-ink-soft">No exercise is called so.</p>}
        <div className="mt-4">
          <SheetEnd
            no="Not now"
            onNo={close}
            yes={chosen.length === 1 ? 'Add it' : `Add ${chosen.length === 0 ? 'them' : chosen.length}`}
            onYes={() => {
              onAdd(chosen);
              close();
            }}
            off={chosen.length === 0}
          />
        </div>
      </div>
    </Sheet>
  );
}
