import type { Recorder } from '@web/stage/recorder';
import { say } from '@web/ui/say';
import { useEffect } from 'react';

/** Says why something was not done on a stage, each time once. */
export function useRefusals(session: Recorder | null): void {
  useEffect(
    () =>
      session?.subscribe((state, before) => {
        if (state.refused && state.refused !== before.refused) say(state.refused.words);
      }),
    [session],
  );
}
