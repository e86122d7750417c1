import { useModel } from '@web/goals/useModel';
import { useScored } from '@web/stage/useScored';
import { Toasts } from '@web/ui/Toasts';
import { useMemo } from 'react';
import { createClock } from './clock';
import { ReviewBoard } from './ReviewBoard';
import type { Reviewed } from './reviewed';
import { useReplayed } from './useReplayed';

/** An attempt looked at again: what it showed, how close it was, what happened, and what is said about it. */
export function ReviewScreen(reviewed: Reviewed) {
  const { prepared, error } = useModel(reviewed.meshHash);
  const model = useScored(prepared, reviewed.home);
  const { replayed, error: notFetched } = useReplayed(reviewed.attemptId, reviewed.exercise.steps, model);
  const clock = useMemo(() => (replayed ? createClock(replayed.folding.seconds) : null), [replayed]);
  return (
    <>
      <Toasts />
      {prepared && model && replayed && clock ? (
        <ReviewBoard reviewed={reviewed} prepared={prepared} model={model} replayed={replayed} clock={clock} />
      ) : (
        <p role="status" className="m-auto p-6">
          {error ?? notFetched ?? 'Loading the attempt …'}
        </p>
      )}
    </>
  );
}
