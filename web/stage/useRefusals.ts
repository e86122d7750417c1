import type { Recorder } from '@web/stage/recorder';
import { useEffect } from 'react';
import { toast } from 'sonner';

/** Says why something was not done on a stage, each time once. */
export function useRefusals(session: Recorder | null): void {
  useEffect(
    () =>
      session?.subscribe((state, before) => {
        if (state.refused && state.refused !== before.refused) toast(state.refused.words);
      }),
    [session],
  );
}
