import { type Landmark, SKILLS, type SkillId } from '@core/exercise';
import type { Mesh } from '@core/geometry';
import { GOAL_KINDS, type GoalKindId, isStill, kindById, mayLookFirst } from '@core/goals';
import type { Scheme } from '@core/input';
import type { View } from '@core/view';
import { asTarget } from '@web/goals/asTarget';
import { fieldsOf } from '@web/goals/fields';
import type { Measured } from '@web/stage/measuring/measuring';
import type { Recorder } from '@web/stage/recorder';
import type { SceneSource } from '@web/stage/sceneSource';
import { Choice, Part, Tick } from '@web/ui/fields';
import { MarkdownField } from '@web/ui/MarkdownField';
import { Plus } from 'lucide-react';
import { useStore } from 'zustand';
import { CriteriaTable } from './CriteriaTable';
import { type DraftStore, presentStep } from './draftStore';
import { GroupTries } from './GroupTries';
import { MethodFields, withMethod } from './MethodFields';
import { OwnTries, type OwnTry } from './OwnTries';
import { WatchPart } from './WatchPart';

const GOALS = GOAL_KINDS.map((id) => ({ id, label: kindById(id).label }));

interface Props {
  readonly store: DraftStore;
  /** The stage that goals are set from; null until it is there. */
  readonly session: Recorder | null;
  readonly mesh: Mesh | null;
  readonly landmarks: readonly Landmark[];
  readonly tries: readonly OwnTry[];
  readonly measured: Measured | null;
  readonly onMeasure: () => void;
  readonly show: (view: View) => void;
  readonly exerciseId: string;
  /** Groups whose attempts may be looked at; none before the exercise is published. */
  readonly groups: readonly { readonly id: string; readonly name: string }[];
  readonly scheme: Scheme;
  /** What the stage shows instead of what is built, while something is played. */
  readonly onSource: (source: SceneSource | null) => void;
}

/** What one step asks: its words, its goal, what it is judged by, and its hints. */
export function StepPart({ store, session, mesh, landmarks, tries, measured, onMeasure, show, exerciseId, groups, scheme, onSource }: Props) {
  const state = useStore(store);
  const step = presentStep(state);
  const { goal } = step;
  const index = state.draft.steps.indexOf(step);
  const Fields = fieldsOf(goal);
  const setKind = (kind: GoalKindId): void => {
    const scene = session?.getState().scene ?? state.draft.start;
    store.setGoal(kindById(kind).create({ ...asTarget(scene), selection: scene.selection }));
  };
  return (
    <>
      <Part title={`Step ${index + 1}`}>
        <MarkdownField label="What to do" value={step.brief} onChange={(brief) => store.setStep({ brief })} placeholder="Swing round until you see …" />
        <div className="grid grid-cols-2 gap-3">
          <Choice<GoalKindId> label="Goal" value={goal.kind} options={GOALS} onChange={setKind} />
          <Choice<SkillId> label="Main skill" value={step.skill} options={SKILLS} onChange={(skill) => store.setStep({ skill })} />
        </div>
        <p className="mb-2 text-ink-soft text-sm">{kindById(goal.kind).says}</p>
        {session && (
          <SceneOf session={session}>
            {(scene) => (
              <Fields
                goal={goal}
                session={session}
                scene={scene}
                mesh={mesh}
                landmarks={landmarks}
                measured={measured}
                onMeasure={onMeasure}
                show={show}
                onChange={store.setGoal}
              />
            )}
          </SceneOf>
        )}
        {mayLookFirst(goal.kind) && (
          <Tick
            label="Free look round first: nothing counts until “Begin”"
            checked={step.freeLook === true}
            onChange={(on) => store.setStep({ freeLook: on || undefined })}
          />
        )}
      </Part>
      <Part title="Judged by">
        <CriteriaTable
          key={step.id}
          goal={goal}
          criteria={step.criteria}
          onChange={(criteria) => store.setStep(withMethod(step, criteria, mesh, session?.getState().scene))}
        />
        {session && (
          <SceneOf session={session}>{(scene) => <MethodFields step={step} scene={scene} onChange={(method) => store.setStep({ method })} />}</SceneOf>
        )}
        <OwnTries step={step} tries={tries} onChange={(criteria) => store.setStep({ criteria })} />
        {groups.length > 0 && (
          <GroupTries key={`${step.id} group`} exerciseId={exerciseId} step={step} groups={groups} onChange={(criteria) => store.setStep({ criteria })} />
        )}
      </Part>
      {session && !isStill(goal.kind) && (
        <WatchPart
          key={`${step.id} watch`}
          step={step}
          session={session}
          scheme={scheme}
          shown={state.draft.showTarget}
          onChange={(watch) => store.setStep({ watch })}
          onSource={onSource}
        />
      )}
      <Part title="Hints">
        {step.hints.map((hint, i) => (
          <MarkdownField
            key={i}
            label={`Hint ${i + 1}`}
            value={hint}
            onChange={(text) => store.setStep({ hints: step.hints.map((h, n) => (n === i ? text : h)) })}
          />
        ))}
        <div className="flex gap-2">
          {step.hints.length < 3 && (
            <button type="button" className="button-quiet text-sm" onClick={() => store.setStep({ hints: [...step.hints, 'Look at …'] })}>
              <Plus size={15} aria-hidden="true" /> Add a hint
            </button>
          )}
          {step.hints.length > 0 && (
            <button type="button" className="button-quiet text-sm" onClick={() => store.setStep({ hints: step.hints.slice(0, -1) })}>
              Remove the last
            </button>
          )}
        </div>
      </Part>
    </>
  );
}

/** Follows the scene on the stage. */
function SceneOf({
  session,
  children,
}: {
  readonly session: Recorder;
  readonly children: (scene: ReturnType<Recorder['getState']>['scene']) => React.ReactNode;
}) {
  return <>{children(useStore(session, (s) => s.scene))}</>;
}
