import type { FramePoint } from '@core/input';

/** Fingers on the screen, told together: where their middle is, how far apart they are, and which way they lie. */
export interface Grip {
  readonly count: 1 | 2 | 3;
  readonly middle: FramePoint;
  /** Mean distance of the fingers from their middle, frame heights; 0 for one. */
  readonly reach: number;
  /** Direction from the first finger to the second, radians. */
  readonly turn: number;
}

export function gripOf(fingers: readonly FramePoint[]): Grip | null {
  const some = fingers.slice(0, 3);
  const [first, second] = some;
  if (!first) return null;
  const middle = { u: some.reduce((sum, f) => sum + f.u, 0) / some.length, v: some.reduce((sum, f) => sum + f.v, 0) / some.length };
  return {
    count: some.length as 1 | 2 | 3,
    middle,
    reach: some.reduce((sum, f) => sum + Math.hypot(f.u - middle.u, f.v - middle.v), 0) / some.length,
    turn: second ? Math.atan2(second.v - first.v, second.u - first.u) : 0,
  };
}

/** How fingers went from one grip to the next: a factor apart, and radians round. A finger more or less begins anew. */
export function between(last: Grip, now: Grip): { spread: number; twist: number } {
  if (last.count !== now.count || now.count < 2 || last.reach < 1e-4 || now.reach < 1e-4) return { spread: 1, twist: 0 };
  const twist = now.turn - last.turn;
  return { spread: now.reach / last.reach, twist: Math.atan2(Math.sin(twist), Math.cos(twist)) };
}
