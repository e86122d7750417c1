import { COMMAND_GROUP_IDS } from '@core/exercise';
import { BUILT_IN_SCHEMES, type Scheme } from '@core/input';
import { initialScene } from '@core/navigation';
import { contextFor } from '@core/scoring';
import type { View } from '@core/view';
import { PartTree } from '@web/stage/PartTree';
import type { Prepared } from '@web/stage/prepared';
import { StageView } from '@web/stage/StageView';
import { createSession, type Session } from '@web/stage/session';
import { useCommand, useStage } from '@web/stage/useStage';
import { ViewDial } from '@web/stage/ViewDial';
import { useEffect, useMemo } from 'react';
import { useStore } from 'zustand';

const scheme = BUILT_IN_SCHEMES.find((s) => s.id === 'two-button-mouse') as Scheme;

interface Props {
  readonly prepared: Prepared;
  readonly home: View;
  readonly label: string;
  readonly onView: (view: View) => void;
}

/** A model on the stage with its part tree, to look at and to find its home view. */
export function ModelStage({ prepared, home, label, onView }: Props) {
  const session: Session = useMemo(
    () => createSession({ start: initialScene(home), context: contextFor({ mesh: prepared.mesh, home }), allowed: COMMAND_GROUP_IDS }),
    [prepared, home],
  );
  const stage = useStage(prepared, session, scheme);
  const { drawn } = stage;
  const scene = useStore(session, (s) => s.scene);
  useEffect(() => onView(scene.view), [scene.view, onView]);
  const command = useCommand(stage);
  return (
    <div className="flex min-w-0 flex-1 gap-4">
      <div className="flex min-w-0 flex-1 flex-col">
        <StageView stage={stage} label={label} onCommand={command} />
      </div>
      <div className="flex w-52 shrink-0 flex-col gap-3">
        <ViewDial view={drawn ?? home} from={scene.view} onCommand={command} />
        <section aria-label="Parts" className="card min-h-0 flex-1 overflow-auto p-3">
          <h2 className="mb-1 text-sm">Parts</h2>
          <PartTree parts={prepared.mesh.parts} picked={scene.selection.parts} onPick={(id) => command({ kind: 'select', parts: [id] })} />
        </section>
      </div>
    </div>
  );
}
