import { type Action, type Binding, choicesFor, type Device, MODIFIER_WORDS, type Modifier, triggerWords } from '@core/input';
import { useKeyLabels } from '@web/ui/keyLabels';
import { useEffect, useRef, useState } from 'react';
import { type Captured, keyCaptured, wheelCaptured } from './capture';
import { usePresses } from './usePresses';

interface Props {
  /** What is to be set, in words. */
  readonly words: string;
  readonly action: Action;
  readonly device: Device;
  readonly now: Pick<Binding, 'trigger' | 'modifiers'> | null;
  readonly onCaptured: (captured: Captured) => void;
  readonly onCancel: () => void;
}

const HELD = Object.keys(MODIFIER_WORDS) as Modifier[];
/** Keys within these are theirs, not the gesture that is waited for. */
const OWN_KEYS = 'select, input, button';

/** Waits for a hand to show a gesture: a key anywhere, or a click, drag, wheel or fingers on the pad; a gesture can be chosen by name as well. */
export function CapturePad({ words, action, device, now, onCaptured, onCancel }: Props) {
  const labels = useKeyLabels();
  const pad = useRef<HTMLDivElement>(null);
  const whole = useRef<HTMLDivElement>(null);
  const [held, setHeld] = useState<readonly Modifier[]>([]);
  const choices = choicesFor(action, device);
  const presses = usePresses(onCaptured);
  useEffect(() => {
    pad.current?.focus();
    const key = (event: KeyboardEvent): void => {
      if (event.code === 'Escape') {
        event.preventDefault();
        event.stopPropagation();
        onCancel();
        return;
      }
      if (event.code === 'Tab' || (event.target instanceof Element && event.target !== pad.current && whole.current?.contains(event.target.closest(OWN_KEYS))))
        return;
      event.preventDefault();
      event.stopPropagation();
      const found = keyCaptured(event);
      if (found) onCaptured(found);
    };
    const element = pad.current;
    const wheel = (event: WheelEvent): void => {
      event.preventDefault();
      onCaptured(wheelCaptured(event));
    };
    window.addEventListener('keydown', key, true);
    element?.addEventListener('wheel', wheel, { passive: false });
    return () => {
      window.removeEventListener('keydown', key, true);
      element?.removeEventListener('wheel', wheel);
    };
  }, [onCaptured, onCancel]);
  return (
    <div ref={whole} className="mt-2">
      <div
        ref={pad}
        tabIndex={-1}
        role="group"
        aria-label={`Show the gesture for: ${words}`}
        className="touch-none rounded-xl border-2 border-ink border-dashed bg-card p-5 text-center outline-none"
        {...presses}
      >
        <p className="font-semibold">{words}: show the gesture.</p>
        <p className="mt-1 text-ink-soft text-sm">
          Press a key, or drag, click, turn the wheel or use your fingers here. {now ? `Now: ${triggerWords(now, labels)}. ` : ''}Escape leaves it as it is.
        </p>
      </div>
      {choices.length > 0 && (
        <div className="mt-1.5 flex flex-wrap items-center gap-3 text-sm">
          <label className="flex items-center gap-2">
            Or choose
            <select
              className="field !w-auto !py-1 text-sm"
              value=""
              onChange={(event) => {
                const trigger = choices[Number(event.target.value)];
                if (trigger) onCaptured({ trigger, modifiers: HELD.filter((id) => held.includes(id)) });
              }}
            >
              <option value="">a gesture …</option>
              {choices.map((trigger, i) => (
                <option key={JSON.stringify(trigger)} value={i}>
                  {triggerWords({ trigger, modifiers: held })}
                </option>
              ))}
            </select>
          </label>
          {HELD.map((id) => (
            <label key={id} className="flex items-center gap-1">
              <input type="checkbox" checked={held.includes(id)} onChange={(e) => setHeld(e.target.checked ? [...held, id] : held.filter((x) => x !== id))} />
              with {MODIFIER_WORDS[id]}
            </label>
          ))}
        </div>
      )}
    </div>
  );
}
