import type { GoalOf } from '@core/exercise';
import type { Scheme } from '@core/input';
import type { Command } from '@core/navigation';
import { byInterface } from '@core/trace';
import type { View } from '@core/view';
import type { LandmarkSeen } from '@server/services/landmarks';
import { ViewDial } from '@web/stage/dial/ViewDial';
import { InnerLines, OrbitLine } from '@web/stage/marks/overlays';
import type { Prepared } from '@web/stage/prepared';
import type { PuckMoves } from '@web/stage/puck/PuckPanel';
import { puckToSession } from '@web/stage/puck/puckFeed';
import { StageView } from '@web/stage/StageView';
import { useCommand, useFolded, useStage } from '@web/stage/useStage';
import { Wake } from '@web/stage/Wake';
import { send, wordsOf } from '@web/ui/api';
import { useKeyLabels } from '@web/ui/keyLabels';
import { SchemeCard } from '@web/ui/SchemeCard';
import { Ask, Sheet } from '@web/ui/Sheet';
import { lazy, Suspense, useCallback, useEffect, useMemo, useState } from 'react';
import { createPortal } from 'react-dom';
import { Toaster, toast } from 'sonner';
import { useStore } from 'zustand';
import { createStore } from 'zustand/vanilla';
import { GoalPanel } from './GoalPanel';
import { LiveAdvice, LiveBars } from './LiveHelp';
import { StepList } from './StepList';
import { TargetPicture, useLayOver, useTargetPicture } from './TargetPicture';
import { targetSceneOf } from './targetScene';
import { type Opener, openOnServer, type Practised, useAttempt } from './useAttempt';
import { useCalls } from './useCalls';
import { useCloseness } from './useCloseness';
import { useSlips } from './useSlips';

interface Props {
  readonly exercise: Practised;
  readonly meshHash: string;
  readonly home: View;
  readonly landmarks: readonly LandmarkSeen[];
  readonly schemes: readonly Scheme[];
  /** Published pictures of the targets, per step. */
  readonly pictures: readonly (string | null)[];
  /** Given when an author tries it out: nothing is kept. */
  readonly tryOut?: {
    readonly open: Opener;
    readonly loaded: Prepared | null;
    readonly onHandIn: (trace: unknown) => Promise<void>;
    readonly onLeave: () => void;
  };
}

/** Loaded by those who have a 3D mouse. */
const PuckPanel = lazy(async () => ({ default: (await import('@web/stage/puck/PuckPanel')).PuckPanel }));

const KEPT_SCHEME = 'dial-home-scheme';
/** Whether the puck moves the model or the camera: a matter of the hand, so it is kept with the browser. */
const KEPT_MOVES = 'dial-home-puck-moves';
/** Handing in under this score asks once. */
const FAR = 60;
const nothing = createStore(() => null);

function usualScheme(schemes: readonly Scheme[]): Scheme {
  const kept = window.localStorage.getItem(KEPT_SCHEME);
  const found = schemes.find((s) => s.id === kept) ?? schemes.find((s) => s.id === 'two-button-mouse') ?? schemes[0];
  if (!found) throw new Error('This exercise allows no scheme.');
  return found;
}

export function PractiseScreen({ exercise, meshHash, home, landmarks, schemes, pictures, tryOut }: Props) {
  const [chosen, setScheme] = useState(() => usualScheme(schemes));
  const [moves, setMoves] = useState<PuckMoves | null>(() => (window.localStorage.getItem(KEPT_MOVES) as PuckMoves | null) ?? null);
  const scheme = useMemo(
    () => (chosen.options.puck && moves ? { ...chosen, options: { ...chosen.options, puck: { ...chosen.options.puck, moves } } } : chosen),
    [chosen, moves],
  );
  const [step, setStep] = useState(0);
  const [hints, setHints] = useState<readonly number[]>([]);
  const [sheet, setSheet] = useState<'scheme' | 'restart' | 'far' | null>(null);
  const [wanted, setWanted] = useState<Scheme | null>(null);
  const [busy, setBusy] = useState(false);
  const [laid, setLaid] = useLayOver();

  const open = useMemo(() => tryOut?.open ?? openOnServer(exercise), [tryOut, exercise]);
  const attempt = useAttempt(exercise, meshHash, home, chosen, open, tryOut?.loaded ?? null);
  const { session, prepared, opened } = attempt;
  const labels = useKeyLabels();
  const labelled = useMemo(() => (labels ? { ...scheme, labels } : scheme), [scheme, labels]);
  const slips = useSlips(schemes, scheme, labels);
  const stage = useStage(prepared, session, scheme, slips.onGesture);
  const { handle, drawn } = stage;
  const folded = useFolded(stage);
  const puck = useMemo(() => (session ? puckToSession(session, scheme) : null), [session, scheme]);
  const state = useStore(session ?? (nothing as never), (s: ReturnType<NonNullable<typeof session>['getState']> | null) => s);

  const present = exercise.steps[step];
  const goal = present?.goal;
  const target = useMemo(() => (goal ? targetSceneOf(goal, exercise.start) : null), [goal, exercise.start]);
  const picture = useTargetPicture(handle, exercise.showTarget ? target : null, exercise.showTarget ? null : (pictures[step] ?? null));
  const closeness = useCloseness(prepared, home, session, present, labelled, exercise.liveHelp);
  const calls = useCalls(goal?.kind === 'callView' ? (goal as GoalOf<'callView'>) : null, session, opened?.seed ?? 0, step);

  slips.now.current = { session, call: calls.call, closeness, step };
  useEffect(() => {
    setStep(0);
    setHints([]);
  }, [session]);
  useEffect(() => {
    if (state?.refused) toast(state.refused.words);
  }, [state?.refused]);
  useEffect(() => {
    const key = (event: KeyboardEvent): void => {
      if (event.key === '?' && !(event.target instanceof Element && event.target.closest('input, textarea'))) setSheet('scheme');
    };
    window.addEventListener('keydown', key);
    return () => window.removeEventListener('keydown', key);
  }, []);

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

  const last = step === exercise.steps.length - 1;
  const handIn = async (): Promise<void> => {
    if (!session || !opened) return;
    setBusy(true);
    try {
      if (tryOut) await tryOut.onHandIn(attempt.trace());
      else {
        await send(`/api/attempts/${opened.id}/hand-in`, attempt.trace());
        window.location.href = `/attempts/${opened.id}`;
        return;
      }
    } catch (error) {
      toast.error(wordsOf(error), { duration: 12_000 });
    }
    setBusy(false);
  };
  const done = (sure: boolean): void => {
    if (!session || !present) return;
    const results = closeness?.results ?? [];
    const weight = results.reduce((sum, r) => sum + r.weight, 0);
    const score = weight > 0 ? (100 * results.reduce((sum, r) => sum + r.weight * r.points, 0)) / weight : 100;
    const unanswered = goal?.kind === 'callView' && calls.call !== null;
    if (!sure && (score < FAR || unanswered)) {
      setSheet('far');
      return;
    }
    if (last) void handIn();
    else {
      if (!session.events.some((e) => e.kind === 'begin')) session.event({ kind: 'begin' });
      session.event({ kind: 'stepDone', step });
      setStep(step + 1);
    }
  };
  const takeHint = (): void => {
    const taken = hints.filter((n) => n === step).length;
    if (!session || !present || taken >= present.hints.length) return;
    session.event({ kind: 'hint', step, number: taken });
    setHints([...hints, step]);
  };
  const askScheme = (id: string): void => {
    const found = schemes.find((s) => s.id === id);
    if (!found || found === chosen) return;
    if (session && session.moves.length > 0) setWanted(found);
    else changeScheme(found);
  };
  const changeScheme = (found: Scheme): void => {
    window.localStorage.setItem(KEPT_SCHEME, found.id);
    setScheme(found);
  };

  const taken = hints.filter((n) => n === step).length;
  const hintWords = taken > 0 ? (present?.hints[taken - 1] ?? null) : null;
  const headerPlace = document.getElementById('header-place');
  const view = drawn ?? exercise.start.view;
  const scene = state?.scene ?? exercise.start;

  return (
    <div className="flex min-h-0 flex-1 gap-5 px-6 py-4">
      <Toaster position="top-center" />
      {headerPlace &&
        createPortal(
          <>
            {tryOut && (
              <button type="button" className="button-quiet" onClick={tryOut.onLeave}>
                Back to building
              </button>
            )}
            <label className="flex items-center gap-2">
              <span className="sr-only">Scheme</span>
              <select className="rounded-md bg-transparent px-1 py-1 font-semibold" value={scheme.id} onChange={(e) => askScheme(e.target.value)}>
                {schemes.map((s) => (
                  <option key={s.id} value={s.id}>
                    {s.name}
                  </option>
                ))}
              </select>
            </label>
            <button
              type="button"
              className="flex items-center gap-2 rounded-full border border-ink px-4 py-1.5 hover:bg-bar"
              onClick={() => setSheet('scheme')}
            >
              Scheme card <span className="kbd">?</span>
            </button>
          </>,
          headerPlace,
        )}

      <aside className={`${folded ? 'hidden' : 'flex'} w-64 shrink-0 flex-col gap-3 overflow-y-auto pr-1`}>
        <div>
          <h1 className="text-2xl leading-tight">{exercise.title}</h1>
          {exercise.brief && <p className="mt-1 text-ink-soft text-sm">{exercise.brief}</p>}
          <StepList steps={exercise.steps} at={step} />
        </div>
        {picture && goal?.kind !== 'callView' && <TargetPicture picture={picture} onLay={setLaid} />}
        {present && <GoalPanel step={present} calls={calls} />}
        {scheme.family === 'puck' && puck && (
          <Suspense>
            <PuckPanel
              listener={puck}
              scheme={scheme}
              frames={handle?.renderer.frames}
              onMoves={(next) => {
                window.localStorage.setItem(KEPT_MOVES, next);
                setMoves(next);
              }}
            />
          </Suspense>
        )}
        <div className={`mt-auto shrink-0 ${scheme.family === 'puck' ? 'w-44 self-center' : ''}`}>
          <ViewDial
            view={view}
            from={scene.view}
            target={exercise.showTarget && goal?.kind === 'matchView' ? goal.target.view : null}
            onCommand={command}
            enabled={exercise.allowed.includes('standard')}
            scheme={scheme}
          />
        </div>
      </aside>

      <div className="flex min-w-0 flex-1 flex-col">
        <StageView
          stage={stage}
          label={`Stage: ${exercise.title}. Keys move the view; the scheme card lists them.`}
          recover={exercise.allowed.includes('recover')}
          views={{ modelId: exercise.model.id, forAll: false }}
          landmarks={landmarks}
          overlay={
            <>
              {goal?.kind === 'followOrbit' && drawn && <OrbitLine goal={goal} view={drawn} />}
              {goal?.kind === 'frameIt' && <InnerLines margins={goal.margins} />}
              {laid && picture && <img src={picture} alt="" className="pointer-events-none absolute inset-0 h-full w-full opacity-55" />}
            </>
          }
        >
          {!session && (
            <div className="absolute inset-0 grid place-items-center bg-stage/80" role="status" data-stage-wait>
              {attempt.error ? (
                <div className="max-w-sm text-center">
                  <p className="font-semibold">{attempt.error}</p>
                  <button type="button" className="button mt-3" onClick={attempt.restart}>
                    Try again
                  </button>
                </div>
              ) : (
                <p>{prepared ? 'Opening …' : 'Loading the model …'}</p>
              )}
            </div>
          )}
        </StageView>
        <div className="mt-2">
          {state && <Wake fixes={state.fixes} at={state.at} pictureOf={pictureOf} onGo={go} enabled={exercise.allowed.includes('recover')} scheme={scheme} />}
        </div>
        <LiveAdvice closeness={calls.call ? null : closeness} words={hintWords} end={last ? 'Hand in' : 'Done'} />
        <div className="mt-1 flex items-end gap-5">
          <LiveBars closeness={closeness} />
          <div className="flex shrink-0 gap-2.5">
            {present && present.hints.length > 0 && (
              <button type="button" className="button" onClick={takeHint} disabled={!session || taken >= present.hints.length}>
                Hint{' '}
                <span className="text-ink-soft">
                  {Math.min(taken + 1, present.hints.length)} of {present.hints.length}
                </span>
              </button>
            )}
            <button
              type="button"
              className="button"
              onClick={() => (session && session.moves.length > 0 ? setSheet('restart') : attempt.restart())}
              disabled={!session}
            >
              Start again
            </button>
            <button type="button" className="button-main" onClick={() => done(false)} disabled={!session || busy}>
              {busy ? 'Scoring …' : last ? 'Hand in' : 'Done'}
            </button>
          </div>
        </div>
      </div>

      <Sheet open={sheet === 'scheme'} onOpenChange={(o) => setSheet(o ? 'scheme' : null)} title={`Scheme card: ${scheme.name}`} wide>
        <SchemeCard
          scheme={scheme}
          head={
            <label className="flex items-center gap-2 text-sm">
              I come from
              <select className="field !w-auto !py-1" value={slips.earlierId} onChange={(e) => slips.setEarlier(e.target.value)}>
                <option value="">no other scheme</option>
                {schemes
                  .filter((s) => s.id !== scheme.id)
                  .map((s) => (
                    <option key={s.id} value={s.id}>
                      {s.name}
                    </option>
                  ))}
              </select>
              <span className="text-ink-soft">and am told when an old habit slips in</span>
            </label>
          }
        />
      </Sheet>
      <Ask
        open={sheet === 'restart'}
        onOpenChange={(o) => setSheet(o ? 'restart' : null)}
        title="Start again?"
        about="What you did so far in this attempt is dropped, and the clock begins anew."
        yes="Start again"
        no="Go on"
        onYes={attempt.restart}
      />
      <Ask
        open={sheet === 'far'}
        onOpenChange={(o) => setSheet(o ? 'far' : null)}
        title={last ? 'Hand it in as it is?' : 'Is this step done?'}
        about={
          goal?.kind === 'callView' && calls.call
            ? 'Not all calls are answered yet; those count as missed.'
            : (closeness?.worst?.advice ?? 'It is still far from what is asked.')
        }
        yes={last ? 'Hand in anyway' : 'Next step anyway'}
        no="Go on"
        onYes={() => done(true)}
      />
      <Ask
        open={wanted !== null}
        onOpenChange={(o) => !o && setWanted(null)}
        title={`Change to ${wanted?.name ?? ''}?`}
        about="An attempt is made with one scheme: changing it starts again."
        yes="Change and start again"
        no="Keep this scheme"
        onYes={() => {
          if (wanted) changeScheme(wanted);
          setWanted(null);
        }}
      />
    </div>
  );
}
