import { BUILT_IN_SCHEMES, type Scheme } from '@core/input';
import type { Prepared } from '@web/stage/prepared';
import { type StageHandle, useStage } from '@web/stage/useStage';
import type { ReactNode } from 'react';
import { useModel } from './useModel';

/** A stage that is not seen and draws pictures of a model: what stands in the page for it, what draws, and the model once it is loaded. */
export function useHiddenStage(meshHash: string): { readonly handle: StageHandle | null; readonly shown: ReactNode; readonly prepared: Prepared | null } {
  const { prepared, error } = useModel(meshHash);
  const { canvas, handle } = useStage(prepared, null, BUILT_IN_SCHEMES[0] as Scheme);
  const shown = (
    <>
      <canvas ref={canvas} className="pointer-events-none absolute h-px w-px opacity-0" aria-hidden="true" />
      {error && <p role="alert">{error}</p>}
    </>
  );
  return { handle, shown, prepared };
}
