import type { KeyLabels } from '@core/input';
import { useSyncExternalStore } from 'react';

/** The part of the Keyboard Map API that is used; browsers without it have none of it. */
interface Keyboard {
  getLayoutMap(): Promise<KeyLabels>;
}

let labels: KeyLabels | undefined;
let asked = false;
const heard = new Set<() => void>();

async function ask(): Promise<void> {
  const keyboard = (navigator as { keyboard?: Keyboard }).keyboard;
  if (!keyboard) return;
  try {
    // A plain map: the browser's own cannot be sent to a worker.
    labels = new Map(await keyboard.getLayoutMap());
    for (const changed of heard) changed();
  } catch {
    // Within a frame of another site it is not told: keys keep their usual names.
  }
}

function subscribe(changed: () => void): () => void {
  heard.add(changed);
  if (!asked) {
    asked = true;
    void ask();
  }
  return () => heard.delete(changed);
}

/** What stands on the keys of this keyboard, once the browser has told it. */
export const useKeyLabels = (): KeyLabels | undefined =>
  useSyncExternalStore(
    subscribe,
    () => labels,
    () => undefined,
  );
