import { POINTER_BUTTONS, type PointerButton } from '@core/input';
import { modifiersOf } from '@web/stage/devices/modifiers';
import { type PointerEvent, useRef } from 'react';
import type { Captured } from './capture';

/** A press that moves farther than this is a drag, pixels. */
const FAR = 6;
const DOUBLE_MS = 350;

interface Press {
  readonly x: number;
  readonly y: number;
  readonly button: PointerButton;
  readonly fingers: Set<number>;
  moved: boolean;
  most: number;
}

/** Listens to a pad: tells each whole click, drag or touch with fingers, and by what it was made. */
export function usePresses(onShown: (shown: Captured, device: string) => void) {
  const down = useRef<Press | null>(null);
  const lastClick = useRef(Number.NEGATIVE_INFINITY);
  return {
    onPointerDown(event: PointerEvent<HTMLElement>): void {
      event.currentTarget.setPointerCapture(event.pointerId);
      const press = down.current;
      if (press) {
        press.fingers.add(event.pointerId);
        press.most = Math.max(press.most, press.fingers.size);
        return;
      }
      down.current = {
        x: event.clientX,
        y: event.clientY,
        button: POINTER_BUTTONS[event.button as 0 | 1 | 2] ?? 'left',
        fingers: new Set([event.pointerId]),
        moved: false,
        most: 1,
      };
    },
    onPointerMove(event: PointerEvent<HTMLElement>): void {
      const press = down.current;
      if (press && Math.hypot(event.clientX - press.x, event.clientY - press.y) > FAR) press.moved = true;
    },
    onPointerUp(event: PointerEvent<HTMLElement>): void {
      const press = down.current;
      if (!press) return;
      press.fingers.delete(event.pointerId);
      if (press.fingers.size > 0) return;
      down.current = null;
      const modifiers = modifiersOf(event);
      const device = event.pointerType;
      if (device === 'touch' && press.moved) onShown({ trigger: { kind: 'touch', fingers: Math.min(3, press.most) as 1 | 2 | 3 }, modifiers: [] }, device);
      else if (press.moved) onShown({ trigger: { kind: 'drag', button: press.button }, modifiers }, device);
      else {
        const twice = event.timeStamp - lastClick.current < DOUBLE_MS;
        lastClick.current = twice ? Number.NEGATIVE_INFINITY : event.timeStamp;
        onShown({ trigger: { kind: 'click', button: press.button, count: twice ? 2 : 1 }, modifiers }, device);
      }
    },
    onContextMenu: (event: { preventDefault(): void }): void => event.preventDefault(),
  };
}
