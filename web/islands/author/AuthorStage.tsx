import { partName } from '@core/geometry';
import { aimOf, type RedactedGoal } from '@core/goals';
import type { LandmarkSeen } from '@server/services/landmarks';
import { handlesOf } from '@web/goals/handles';
import { overlayOf } from '@web/goals/overlays';
import { PivotAsked } from '@web/goals/PivotAsked';
import { ViewDial } from '@web/stage/dial/ViewDial';
import type { MeasuredListener } from '@web/stage/measuring/measuring';
import { StageView } from '@web/stage/StageView';
import { type Stage, useCommand } from '@web/stage/useStage';
import { StageWake } from '@web/stage/Wake';
import { type ReactNode, Suspense } from 'react';
import { useStore } from 'zustand';
import { createStore } from 'zustand/vanilla';
import { type DraftStore, presentStep } from './draftStore';

interface Props {
  readonly store: DraftStore;
  readonly stage: Stage;
  readonly model: { readonly name: string; readonly landmarks: readonly LandmarkSeen[]; readonly mine: boolean };
  readonly problem: string | null;
  /** Hears of what is measured. */
  readonly onMeasured: MeasuredListener;
  /** Stands under the stage. */
  readonly children: ReactNode;
}

const nothing = createStore(() => null);

/** The stage that an exercise is built on, with what its step draws over it. */
export function AuthorStage({ store, stage, model, problem, onMeasured, children }: Props) {
  const state = useStore(store);
  const { draft } = state;
  const step = presentStep(state);
  const { goal } = step;
  const scene = useStore(stage.session ?? (nothing as never), (s: { scene: typeof draft.start } | null) => s?.scene) ?? draft.start;
  const command = useCommand(stage, 'dial');
  const Overlay = overlayOf(goal);
  const Handles = handlesOf(goal);
  return (
    <div className="flex min-w-0 flex-1 flex-col px-5 py-4 stacked:flex-none">
      <StageView
        stage={stage}
        label={`Stage: ${model.name}`}
        views={{ modelId: draft.model.id, forAll: model.mine }}
        landmarks={model.landmarks}
        onMeasured={onMeasured}
        overlay={
          <Suspense>
            <PivotAsked step={step} view={stage.drawn} />
            {Overlay && stage.drawn && (
              <Overlay
                goal={goal}
                view={stage.drawn}
                floorAt={stage.floorAt}
                onChange={(made: RedactedGoal) => store.setGoal({ ...goal, ...made } as typeof goal)}
              />
            )}
            {Handles && stage.drawn && <Handles goal={goal} view={stage.drawn} onChange={(made) => store.setGoal(made)} />}
          </Suspense>
        }
      >
        {(!stage.session || problem) && (
          <div role="status" data-stage-wait className="absolute inset-0 grid place-items-center bg-stage/80">
            {problem ?? 'Loading the model …'}
          </div>
        )}
      </StageView>
      <div className="mt-2 flex items-start gap-4">
        <div className="min-w-0 flex-1">
          <StageWake stage={stage} enabled />
          {children}
          <p className="mt-1 text-ink-soft text-sm">
            Picked:{' '}
            <strong className="text-ink">{scene.selection.parts.map((id) => partName(stage.prepared?.mesh.parts ?? [], id)).join(', ') || 'nothing'}</strong>
          </p>
        </div>
        <div className="w-40 shrink-0">
          <ViewDial
            scheme={stage.scheme}
            view={stage.drawn ?? draft.start.view}
            from={scene.view}
            target={aimOf(step).target?.view ?? null}
            onCommand={command}
          />
        </div>
      </div>
    </div>
  );
}
