import type { FramePoint, Pick, Scheme } from '@core/input';
import type { GestureDispatch } from './gestureDispatch';
import type { Place } from './pointerPlaces';

/** A press as long as this shows the near hand, ms. */
const LONG_PRESS = 500;

interface Press {
  readonly pointerType: string;
  readonly timeStamp: number;
}

/** Whether the near hand is open, and where: by its key, or by a press that stays where it is. */
export interface NearHandState {
  open(place: Place, byKey: boolean): void;
  close(): void;
  /** Closes it, and gives what it was opened over. */
  take(): (Place & { readonly pick: Pick | null }) | null;
  /** Closes it if its key had opened it. */
  letGo(): void;
  /** Opens it when a press has lasted; `taken` ends what the press would else have become, false: it has become something already. */
  waitFor(press: Press, place: Place, taken: () => boolean): void;
  stopWaiting(): void;
  /** A press that was held long enough, on a machine too busy to have noticed meanwhile. */
  wasLong(press: Press): boolean;
}

export function createNearHand(dispatch: GestureDispatch, scheme: () => Scheme, onNearHand: (at: FramePoint | null) => void): NearHandState {
  let near: (Place & { readonly pick: Pick | null; readonly byKey: boolean }) | null = null;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let pressedAt = 0;
  const offered = (press: Press): boolean => press.pointerType !== 'mouse' && Boolean(scheme().options.nearHand);
  const open: NearHandState['open'] = (place, byKey) => {
    if (!scheme().options.nearHand) return;
    near = { ...place, pick: dispatch.pickAt(place), byKey };
    onNearHand(place.at);
  };
  const close = (): void => {
    if (!near) return;
    near = null;
    onNearHand(null);
  };
  return {
    open,
    close,
    take() {
      const taken = near;
      close();
      return taken;
    },
    letGo() {
      if (near?.byKey) close();
    },
    waitFor(press, place, taken) {
      clearTimeout(timer);
      pressedAt = press.timeStamp;
      if (!offered(press)) return;
      timer = setTimeout(() => {
        if (taken()) open(place, false);
      }, LONG_PRESS);
    },
    stopWaiting: () => clearTimeout(timer),
    wasLong: (press) => offered(press) && press.timeStamp - pressedAt >= LONG_PRESS,
  };
}
