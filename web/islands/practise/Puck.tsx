import type { Scheme } from '@core/input';
import type { Frames } from '@web/stage/frames';
import { type PuckMoves, PuckPanel } from '@web/stage/puck/PuckPanel';
import { puckToSession } from '@web/stage/puck/puckFeed';
import type { Recorder } from '@web/stage/recorder';
import { useMemo } from 'react';

interface Props {
  readonly session: Recorder;
  readonly scheme: Scheme;
  readonly frames: Frames | undefined;
  readonly onMoves: (moves: PuckMoves) => void;
}

/** The simulated 3D mouse, as it moves an attempt. */
export function Puck({ session, scheme, frames, onMoves }: Props) {
  const listener = useMemo(() => puckToSession(session, scheme), [session, scheme]);
  return <PuckPanel listener={listener} scheme={scheme} frames={frames} onMoves={onMoves} />;
}
