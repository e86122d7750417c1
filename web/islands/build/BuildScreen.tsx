import { COMMAND_GROUPS, type CommandGroupId, type Exercise, type Goal, type GoalKind, SKILLS, type SkillId, type Step, usualCriteria } from '@core/exercise';
import { type Scheme, type SentScheme, schemesReceived } from '@core/input';
import type { Command } from '@core/navigation';
import { contextFor, type ScoreCard } from '@core/scoring';
import { byInterface } from '@core/trace';
import type { View } from '@core/view';
import type { LandmarkSeen } from '@server/services/landmarks';
import { ViewDial } from '@web/stage/dial/ViewDial';
import { InnerLines, OrbitLine } from '@web/stage/marks/overlays';
import { openModel } from '@web/stage/openModel';
import type { Prepared } from '@web/stage/prepared';
import { StageView } from '@web/stage/StageView';
import { createSession, type Session } from '@web/stage/session';
import { useCommand, useFolded, useStage } from '@web/stage/useStage';
import { Wake } from '@web/stage/Wake';
import { send, wordsOf } from '@web/ui/api';
import { ArrowDown, ArrowUp, Plus, Trash2 } from 'lucide-react';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { Toaster, toast } from 'sonner';
import { useStore } from 'zustand';
import { createStore } from 'zustand/vanilla';
import { CardScreen } from '../card/CardScreen';
import { PractiseScreen } from '../practise/PractiseScreen';
import { targetSceneOf } from '../practise/targetScene';
import { AssignSheet } from './AssignSheet';
import { CriteriaTable } from './CriteriaTable';
import { Choice, Part, TextField, Tick } from './fields';
import { asTarget, GOALS, GoalFields, newGoal } from './GoalFields';
import { useDraft } from './useDraft';

interface Props {
  readonly id: string;
  readonly saved: Exercise;
  readonly version: number;
  readonly mine: boolean;
  readonly model: {
    readonly name: string;
    readonly meshHash: string;
    readonly home: View;
    readonly landmarks: readonly LandmarkSeen[];
    readonly mine: boolean;
  };
  readonly groups: readonly { readonly id: string; readonly name: string }[];
  readonly schemes: readonly SentScheme[];
}

const ALL = Object.keys(COMMAND_GROUPS) as CommandGroupId[];
const STATE_WORDS = { saved: 'Saved', saving: 'Saving …', changed: 'Not saved yet', failed: 'Not saved' } as const;
const nothing = createStore(() => null);
const PICTURE_WIDTH = 800;
const freshId = (): string => `step-${Math.random().toString(36).slice(2, 10)}`;

export function BuildScreen({ id, saved, version: published, mine, model, groups, schemes: sent }: Props) {
  const [schemes] = useState(() => schemesReceived(sent));
  const { draft, change, state, error, save } = useDraft(id, saved, mine);
  const [at, setAt] = useState(0);
  const [version, setVersion] = useState(published);
  const [prepared, setPrepared] = useState<Prepared | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [mode, setMode] = useState<'build' | 'try' | 'card'>('build');
  const [card, setCard] = useState<ScoreCard | null>(null);
  const [assigning, setAssigning] = useState(false);
  const [busy, setBusy] = useState(false);
  const scheme = useMemo(
    () =>
      schemes.find((s) => s.id === window.localStorage.getItem('dial-home-scheme')) ??
      schemes.find((s) => s.id === 'two-button-mouse') ??
      (schemes[0] as Scheme),
    [schemes],
  );

  useEffect(() => {
    openModel(model.meshHash).then(setPrepared, (e) => setProblem(wordsOf(e)));
  }, [model.meshHash]);
  const start = useRef(saved.start);
  const session: Session | null = useMemo(
    () => (prepared ? createSession({ start: start.current, context: contextFor({ mesh: prepared.mesh, home: model.home }), allowed: ALL }) : null),
    [prepared, model.home],
  );
  const stage = useStage(mode === 'build' ? prepared : null, session, scheme);
  const { handle, drawn } = stage;
  const folded = useFolded(stage);
  const live = useStore(session ?? (nothing as never), (s: ReturnType<Session['getState']> | null) => s);

  const step = draft.steps[Math.min(at, draft.steps.length - 1)] as Step;
  const index = draft.steps.indexOf(step);
  const set = (made: Partial<Exercise>): void => change((d) => ({ ...d, ...made }));
  const setStep = useCallback(
    (made: Partial<Step>) => change((d) => ({ ...d, steps: d.steps.map((s, i) => (i === index ? { ...s, ...made } : s)) })),
    [change, index],
  );
  const setGoal = (goal: Goal): void => {
    // Criteria that the author has not touched follow the goal.
    const untouched = JSON.stringify(step.criteria) === JSON.stringify(usualCriteria(step.goal));
    setStep({ goal, ...(untouched || goal.kind !== step.goal.kind ? { criteria: usualCriteria(goal) } : {}) });
  };
  const command = useCommand(stage, 'dial');
  const go = useCallback(
    (steps: number) =>
      session?.perform(
        Array.from({ length: Math.abs(steps) }, (): Command => ({ kind: steps < 0 ? 'back' : 'forward' })),
        byInterface(session.newGesture(), 'wake'),
      ),
    [session],
  );
  const pictureOf = useMemo(() => (handle && session ? (view: View) => handle.pictureOf({ ...session.getState().scene, view }, 384) : null), [handle, session]);
  const show = useCallback((view: View) => session && handle?.renderer.show({ ...session.getState().scene, view }, false), [session, handle]);

  const move = (by: number): void => {
    const steps = [...draft.steps];
    const other = steps[index + by];
    if (!other) return;
    steps[index + by] = step;
    steps[index] = other;
    set({ steps });
    setAt(index + by);
  };
  const addStep = (): void => {
    if (!live) return;
    const goal = newGoal('matchView', live.scene);
    set({ steps: [...draft.steps, { id: freshId(), brief: '', skill: step.skill, otherSkills: [], hints: [], goal, criteria: usualCriteria(goal) }] });
    setAt(draft.steps.length);
  };
  const publish = async (): Promise<void> => {
    if (!handle) return;
    setBusy(true);
    try {
      await save();
      const pictures: (string | null)[] = [];
      for (const each of draft.steps) {
        const target = targetSceneOf(each.goal, draft.start);
        pictures.push(target ? ((await handle.pictureOf(target, PICTURE_WIDTH)).split(',')[1] ?? null) : null);
      }
      const made = await send<{ version: number }>(`/api/exercises/${id}/publish`, { pictures });
      setVersion(made.version);
      setAssigning(true);
    } catch (e) {
      toast.error(wordsOf(e), { duration: 10_000 });
    }
    setBusy(false);
  };
  const tried = useMemo(
    () => ({
      open: async () => ({ id: 'try', seed: Math.floor(Math.random() * 4294967295) }),
      loaded: prepared,
      onHandIn: async (trace: unknown) => {
        setCard(await send<ScoreCard>('/api/try', { content: draft, trace }));
        setMode('card');
      },
      onLeave: () => setMode('build'),
    }),
    [prepared, draft],
  );
  const exercise = useMemo(() => ({ ...draft, id, version }), [draft, id, version]);

  if (mode === 'try')
    return (
      <PractiseScreen
        exercise={exercise}
        meshHash={model.meshHash}
        home={model.home}
        landmarks={model.landmarks}
        schemes={schemes.filter((s) => draft.schemes.length === 0 || draft.schemes.includes(s.id))}
        pictures={[]}
        tryOut={tried}
      />
    );
  if (mode === 'card' && card) {
    return (
      <div className="min-h-0 flex-1 overflow-y-auto">
        <div className="mx-auto max-w-6xl px-6 py-8">
          <CardScreen
            card={card}
            exercise={exercise}
            details={[]}
            meshHash={model.meshHash}
            pictures={[]}
            learner={null}
            before={null}
            next={null}
            actions={
              <>
                <button type="button" className="button" onClick={() => setMode('try')}>
                  Try again
                </button>
                <button type="button" className="button-main" onClick={() => setMode('build')}>
                  Back to building
                </button>
              </>
            }
          />
        </div>
      </div>
    );
  }

  const scene = live?.scene ?? draft.start;
  const { goal } = step;
  return (
    <div className="flex min-h-0 flex-1">
      <Toaster position="top-center" />
      <aside className={`${folded ? 'hidden' : 'flex'} w-[404px] shrink-0 flex-col border-ink border-r`} aria-label="Recipe">
        <div className="min-h-0 flex-1 space-y-4 overflow-y-auto px-6 py-5">
          <div>
            <h1 className="sr-only">Build an exercise</h1>
            <TextField label="Title" value={draft.title} onChange={(title) => set({ title })} placeholder="What is it called?" />
            <TextField label="Brief" rows={2} value={draft.brief} onChange={(brief) => set({ brief })} placeholder="The situation, in a sentence or two" />
            <p className="text-sm">
              Model: <strong>{model.name}</strong>, revision {draft.model.revision}
            </p>
            <button
              type="button"
              className="button mt-2 !py-1.5 text-sm"
              disabled={!session}
              onClick={() => session && set({ start: asTarget(session.getState().scene) })}
            >
              Set start from this view
            </button>
          </div>

          <Part
            title="Steps"
            action={
              <button type="button" className="button-quiet text-sm" onClick={addStep}>
                <Plus size={15} aria-hidden="true" /> Add a step
              </button>
            }
          >
            <ol className="space-y-1">
              {draft.steps.map((s, i) => (
                <li key={s.id}>
                  <button
                    type="button"
                    aria-current={i === index ? 'step' : undefined}
                    onClick={() => setAt(i)}
                    className={`flex w-full items-baseline gap-3 rounded-lg px-3 py-1.5 text-left ${i === index ? 'bg-ink text-paper' : 'hover:bg-bar'}`}
                  >
                    <span className="font-mono text-sm">{i + 1}</span>
                    <span className="flex-1 truncate">{s.brief || GOALS.find((g) => g.id === s.goal.kind)?.label}</span>
                  </button>
                </li>
              ))}
            </ol>
            {draft.steps.length > 1 && (
              <div className="mt-2 flex gap-2">
                <button type="button" aria-label="Move the step up" className="button !px-2 !py-1" disabled={index === 0} onClick={() => move(-1)}>
                  <ArrowUp size={15} aria-hidden="true" />
                </button>
                <button
                  type="button"
                  aria-label="Move the step down"
                  className="button !px-2 !py-1"
                  disabled={index === draft.steps.length - 1}
                  onClick={() => move(1)}
                >
                  <ArrowDown size={15} aria-hidden="true" />
                </button>
                <button
                  type="button"
                  aria-label="Remove the step"
                  className="button !px-2 !py-1"
                  onClick={() => set({ steps: draft.steps.filter((s) => s !== step) })}
                >
                  <Trash2 size={15} aria-hidden="true" />
                </button>
              </div>
            )}
          </Part>

          <Part title={`Step ${index + 1}`}>
            <TextField label="What to do" rows={2} value={step.brief} onChange={(brief) => setStep({ brief })} placeholder="Swing round until you see …" />
            <div className="grid grid-cols-2 gap-3">
              <Choice<GoalKind> label="Goal" value={goal.kind} options={GOALS} onChange={(kind) => setGoal(newGoal(kind, scene))} />
              <Choice<SkillId> label="Main skill" value={step.skill} options={SKILLS} onChange={(skill) => setStep({ skill })} />
            </div>
            {session && <GoalFields goal={goal} session={session} scene={scene} mesh={prepared?.mesh ?? null} show={show} onChange={setGoal} />}
          </Part>

          <Part title="Judged by">
            <CriteriaTable goal={goal} criteria={step.criteria} onChange={(criteria) => setStep({ criteria })} />
          </Part>

          <Part title="Hints">
            {step.hints.map((hint, i) => (
              <TextField key={i} label={`Hint ${i + 1}`} value={hint} onChange={(text) => setStep({ hints: step.hints.map((h, n) => (n === i ? text : h)) })} />
            ))}
            <div className="flex gap-2">
              {step.hints.length < 3 && (
                <button type="button" className="button-quiet text-sm" onClick={() => setStep({ hints: [...step.hints, 'Look at …'] })}>
                  <Plus size={15} aria-hidden="true" /> Add a hint
                </button>
              )}
              {step.hints.length > 0 && (
                <button type="button" className="button-quiet text-sm" onClick={() => setStep({ hints: step.hints.slice(0, -1) })}>
                  Remove the last
                </button>
              )}
            </div>
          </Part>

          <Part title="Help and rules">
            <Tick
              label="Live help: closeness in words and bars"
              checked={draft.liveHelp && draft.showTarget}
              onChange={(liveHelp) => set({ liveHelp, ...(liveHelp ? { showTarget: true } : {}) })}
            />
            <Tick
              label="The browser may know the target (needed for live help)"
              checked={draft.showTarget}
              onChange={(showTarget) => set({ showTarget, ...(showTarget ? {} : { liveHelp: false }) })}
            />
            <p className="mt-3 mb-1 font-semibold text-sm">Allowed</p>
            <div className="grid grid-cols-2">
              {ALL.map((group) => (
                <Tick
                  key={group}
                  label={COMMAND_GROUPS[group].label}
                  checked={draft.allowed.includes(group)}
                  onChange={(on) => set({ allowed: on ? [...draft.allowed, group] : draft.allowed.filter((g) => g !== group) })}
                />
              ))}
            </div>
            <p className="mt-3 mb-1 font-semibold text-sm">Meant for schemes (none ticked: all)</p>
            {schemes.map((s) => (
              <Tick
                key={s.id}
                label={s.name}
                checked={draft.schemes.includes(s.id)}
                onChange={(on) => set({ schemes: on ? [...draft.schemes, s.id] : draft.schemes.filter((x) => x !== s.id) })}
              />
            ))}
          </Part>
        </div>
        <div className="border-ink border-t px-6 py-3">
          <p className={`mb-2 text-sm ${state === 'failed' ? 'font-semibold text-signal' : 'text-ink-soft'}`} role="status" data-testid="draft-state">
            {mine ? STATE_WORDS[state] : 'This exercise belongs to someone else: changes are not kept.'}
            {error && `: ${error}`}
            {mine && version > 0 && state !== 'failed' && `, version ${version} is published`}
          </p>
          <div className="flex gap-2.5">
            <button type="button" className="button flex-1" disabled={!prepared} onClick={() => setMode('try')}>
              Try it
            </button>
            {version > 0 && (
              <button type="button" className="button" onClick={() => setAssigning(true)}>
                Assign
              </button>
            )}
            <button type="button" className="button-main flex-1" disabled={!mine || !handle || busy} onClick={publish}>
              {busy ? 'Publishing …' : 'Publish'}
            </button>
          </div>
        </div>
      </aside>

      <div className="flex min-w-0 flex-1 flex-col px-5 py-4">
        <StageView
          stage={stage}
          label={`Stage: ${model.name}`}
          views={{ modelId: draft.model.id, forAll: model.mine }}
          landmarks={model.landmarks}
          overlay={
            <>
              {goal.kind === 'followOrbit' && drawn && <OrbitLine goal={goal} view={drawn} />}
              {goal.kind === 'frameIt' && <InnerLines margins={goal.margins} onChange={(margins) => setGoal({ ...goal, margins })} />}
            </>
          }
        >
          {(!prepared || problem) && (
            <div role="status" data-stage-wait className="absolute inset-0 grid place-items-center bg-stage/80">
              {problem ?? 'Loading the model …'}
            </div>
          )}
        </StageView>
        <div className="mt-2 flex items-start gap-4">
          <div className="min-w-0 flex-1">
            {live && <Wake fixes={live.fixes} at={live.at} pictureOf={pictureOf} onGo={go} enabled scheme={scheme} />}
            <p className="mt-2 text-ink-soft text-sm">
              Picked: <strong className="text-ink">{scene.selection.parts.map((p) => p.split('/').at(-1)).join(', ') || 'nothing'}</strong>
            </p>
          </div>
          <div className="w-40 shrink-0">
            <ViewDial
              scheme={scheme}
              view={drawn ?? draft.start.view}
              from={scene.view}
              target={goal.kind === 'matchView' ? goal.target.view : null}
              onCommand={command}
            />
          </div>
        </div>
      </div>
      <AssignSheet open={assigning} onOpenChange={setAssigning} exerciseId={id} version={version} groups={groups} />
    </div>
  );
}
