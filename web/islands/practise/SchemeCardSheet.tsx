import { neededFor, type SkillId } from '@core/exercise';
import type { Scheme } from '@core/input';
import { SchemeCard } from '@web/ui/SchemeCard';
import { Sheet } from '@web/ui/Sheet';
import { useMemo } from 'react';
import type { Slips } from './useSlips';

interface Props {
  readonly open: boolean;
  readonly onOpenChange: (open: boolean) => void;
  readonly scheme: Scheme;
  readonly schemes: readonly Scheme[];
  readonly slips: Slips;
  /** The skills that are practised. */
  readonly skills: readonly SkillId[];
  /** Shows the first notes again. */
  readonly onNotes: () => void;
}

/** The scheme's card, and where one says which scheme one comes from. */
export function SchemeCardSheet({ open, onOpenChange, scheme, schemes, slips, skills, onNotes }: Props) {
  const first = useMemo(() => neededFor(scheme, skills), [scheme, skills]);
  return (
    <Sheet open={open} onOpenChange={onOpenChange} title={`Scheme card: ${scheme.name}`} wide>
      <SchemeCard
        scheme={scheme}
        first={first}
        head={
          <div className="flex flex-wrap items-center gap-x-6 gap-y-1">
            <label className="flex flex-wrap items-center gap-2 text-sm">
              I come from
              <select className="field !w-auto !py-1" value={slips.earlierId} onChange={(e) => slips.setEarlier(e.target.value)}>
                <option value="">no other scheme</option>
                {schemes
                  .filter((s) => s.id !== scheme.id)
                  .map((s) => (
                    <option key={s.id} value={s.id}>
                      {s.name}
                    </option>
                  ))}
              </select>
              <span className="text-ink-soft">and am told when an old habit slips in</span>
            </label>
            <button
              type="button"
              className="button-quiet text-sm"
              onClick={() => {
                onOpenChange(false);
                onNotes();
              }}
            >
              What stage, dial and wake are
            </button>
          </div>
        }
      />
    </Sheet>
  );
}
