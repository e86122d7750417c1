import type { Command } from '@core/navigation';
import { type PointerEvent, useRef } from 'react';
import { untilCancelled } from '../devices/cancelWatch';
import { ARC_SHARE, CHART, MIDDLE } from './dialPlaces';

/** Where a pointer is from the dial's middle, in the dial's own units. */
function fromMiddle(event: PointerEvent<SVGElement>): { x: number; y: number } {
  const area = (event.currentTarget.ownerSVGElement ?? event.currentTarget).getBoundingClientRect();
  const unit = area.width / CHART.width;
  return { x: (event.clientX - area.left) / unit + CHART.x - MIDDLE, y: (event.clientY - area.top) / unit + CHART.y - MIDDLE };
}

/** The angles that a pointer points at: round on the ring, height on the arc, roll about the middle, radians. */
export function azimuthAt(event: PointerEvent<SVGElement>): number {
  const { x, y } = fromMiddle(event);
  return Math.atan2(x, y);
}
export function elevationAt(event: PointerEvent<SVGElement>): number {
  const { x, y } = fromMiddle(event);
  return Math.min(Math.PI / 2, Math.max(-Math.PI / 2, Math.atan2(-y, x) / ARC_SHARE));
}
export function rollAt(event: PointerEvent<SVGElement>): number {
  const { x, y } = fromMiddle(event);
  return -Math.atan2(y, x);
}

/** Follows drags on the dial from where they began to their end; a press without a movement stays a press. */
export function useDialDrag(onCommand: (command: Command, during?: object) => void) {
  const held = useRef<{ moved: boolean; readonly end: () => void } | null>(null);
  return (move: (event: PointerEvent<SVGElement>, during: object) => void) => ({
    onPointerDown: (event: PointerEvent<SVGElement>) => {
      event.currentTarget.setPointerCapture(event.pointerId);
      const during = {
        moved: false,
        end: untilCancelled(() => {
          held.current = null;
          if (during.moved) onCommand({ kind: 'cancel' }, during);
        }),
      };
      held.current = during;
    },
    onPointerMove: (event: PointerEvent<SVGElement>) => {
      if (!held.current) return;
      held.current.moved = true;
      move(event, held.current);
    },
    onPointerUp: () => {
      held.current?.end();
      held.current = null;
    },
  });
}
