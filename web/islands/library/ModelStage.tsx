import { COMMAND_GROUP_IDS } from '@core/exercise';
import { BUILT_IN_SCHEMES, type Scheme } from '@core/input';
import { contextFor } from '@core/model';
import { initialScene, type Scene } from '@core/navigation';
import type { View } from '@core/view';
import type { LandmarkSeen } from '@server/services/landmarks';
import { ViewDial } from '@web/stage/dial/ViewDial';
import { pickOf } from '@web/stage/panels/PartsPanel';
import { PartTree } from '@web/stage/panels/PartTree';
import type { Prepared } from '@web/stage/prepared';
import { createRecorder, type Recorder } from '@web/stage/recorder';
import { StageView } from '@web/stage/StageView';
import { useRefusals } from '@web/stage/useRefusals';
import { useCommand, useStage } from '@web/stage/useStage';
import { useEffect, useMemo } from 'react';
import { useStore } from 'zustand';

const scheme = BUILT_IN_SCHEMES.find((s) => s.id === 'two-button-mouse') as Scheme;

interface Props {
  readonly prepared: Prepared;
  readonly home: View;
  readonly label: string;
  /** What is shown just now; keep the same function. */
  readonly onScene: (scene: Scene) => void;
  readonly landmarks?: readonly LandmarkSeen[];
  /** A landmark to show, picked outside of the stage. */
  readonly shown?: LandmarkSeen | null;
}

/** A model on the stage with its part tree, to look at and to find its home view. */
export function ModelStage({ prepared, home, label, onScene, landmarks = [], shown = null }: Props) {
  const session: Recorder = useMemo(
    () => createRecorder({ start: initialScene(home), context: contextFor({ mesh: prepared.mesh, home }), allowed: COMMAND_GROUP_IDS }),
    [prepared, home],
  );
  const stage = useStage(prepared, session, scheme);
  const { drawn } = stage;
  const scene = useStore(session, (s) => s.scene);
  useEffect(() => onScene(scene), [scene, onScene]);
  useRefusals(session);
  const command = useCommand(stage, 'dial');
  const { aids } = stage;
  const named = landmarks.length > 0;
  // Here landmarks are set: they are shown until one puts them away.
  useEffect(() => aids?.setState({ landmarks: named }), [aids, named]);
  useEffect(() => {
    if (shown) command(pickOf(shown));
  }, [shown, command]);
  return (
    <div className="flex min-w-0 flex-1 gap-4 stacked:flex-none stacked:flex-col">
      <div className="flex min-w-0 flex-1 flex-col">
        <StageView stage={stage} label={label} landmarks={landmarks} />
      </div>
      <div className="flex w-52 shrink-0 flex-col gap-3 stacked:w-full stacked:flex-row stacked:*:w-1/2">
        <ViewDial view={drawn ?? home} from={scene.view} scheme={scheme} onCommand={command} />
        <section aria-label="Parts" className="card min-h-0 flex-1 overflow-auto p-3">
          <h2 className="mb-1 text-sm">Parts</h2>
          <PartTree parts={prepared.mesh.parts} picked={scene.selection.parts} onPick={(id) => command({ kind: 'select', parts: [id] })} />
        </section>
      </div>
    </div>
  );
}
