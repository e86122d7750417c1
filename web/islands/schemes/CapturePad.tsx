import { type Binding, triggerWords } from '@core/input';
import { useKeyLabels } from '@web/ui/keyLabels';
import { type PointerEvent, useEffect, useRef } from 'react';
import { type Captured, keyCaptured, modifiersHeld, wheelCaptured } from './capture';

interface Props {
  /** What is to be set, in words. */
  readonly words: string;
  readonly now: Pick<Binding, 'trigger' | 'modifiers'> | null;
  readonly onCaptured: (captured: Captured) => void;
  readonly onCancel: () => void;
}

const BUTTONS = ['left', 'middle', 'right'] as const;
const FAR = 6;

/** Waits for a hand to show a gesture: a key anywhere, or a click, drag, wheel or fingers on the pad. */
export function CapturePad({ words, now, onCaptured, onCancel }: Props) {
  const labels = useKeyLabels();
  const pad = useRef<HTMLDivElement>(null);
  const down = useRef<{ x: number; y: number; button: (typeof BUTTONS)[number]; fingers: Set<number>; moved: boolean; most: number } | null>(null);
  useEffect(() => {
    pad.current?.focus();
    const key = (event: KeyboardEvent): void => {
      event.preventDefault();
      event.stopPropagation();
      if (event.code === 'Escape') onCancel();
      else {
        const found = keyCaptured(event);
        if (found) onCaptured(found);
      }
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
  const press = (event: PointerEvent<HTMLDivElement>): void => {
    event.preventDefault();
    event.currentTarget.setPointerCapture(event.pointerId);
    if (down.current) {
      down.current.fingers.add(event.pointerId);
      down.current.most = Math.max(down.current.most, down.current.fingers.size);
      return;
    }
    down.current = {
      x: event.clientX,
      y: event.clientY,
      button: BUTTONS[event.button as 0 | 1 | 2] ?? 'left',
      fingers: new Set([event.pointerId]),
      moved: false,
      most: 1,
    };
  };
  const move = (event: PointerEvent<HTMLDivElement>): void => {
    const d = down.current;
    if (d && Math.hypot(event.clientX - d.x, event.clientY - d.y) > FAR) d.moved = true;
  };
  const release = (event: PointerEvent<HTMLDivElement>): void => {
    const d = down.current;
    if (!d) return;
    d.fingers.delete(event.pointerId);
    if (d.fingers.size > 0) return;
    down.current = null;
    const modifiers = modifiersHeld(event);
    if (event.pointerType === 'touch' && d.moved) onCaptured({ trigger: { kind: 'touch', fingers: Math.min(3, d.most) as 1 | 2 | 3 }, modifiers: [] });
    else if (d.moved) onCaptured({ trigger: { kind: 'drag', button: d.button }, modifiers });
    else onCaptured({ trigger: { kind: 'click', button: d.button, count: event.detail === 2 ? 2 : 1 }, modifiers });
  };
  return (
    <div
      ref={pad}
      tabIndex={-1}
      role="group"
      aria-label={`Show the gesture for: ${words}`}
      className="mt-2 touch-none rounded-xl border-2 border-ink border-dashed bg-card p-5 text-center outline-none"
      onPointerDown={press}
      onPointerMove={move}
      onPointerUp={release}
      onContextMenu={(event) => event.preventDefault()}
    >
      <p className="font-semibold">{words}: show the gesture.</p>
      <p className="mt-1 text-ink-soft text-sm">
        Press a key, or drag, click, turn the wheel or use your fingers here. {now ? `Now: ${triggerWords(now, labels)}. ` : ''}Escape leaves it as it is.
      </p>
    </div>
  );
}
