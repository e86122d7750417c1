import type { GoalOf } from '@core/exercise';
import { type Scheme, type SentScheme, schemesReceived } from '@core/input';
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
import { WaitingToSend } from './WaitingToSend';

interface Props {
  /** Whose attempt it is; left out when an author tries it out. */
  readonly person?: string;
  readonly exercise: Practised;
  readonly meshHash: string;
  readonly home: View;
  readonly landmarks: readonly LandmarkSeen[];
  readonly schemes: readonly SentScheme[];
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

export function PractiseScreen({ person, exercise, meshHash, home, landmarks, schemes: sent, pictures, tryOut }: Props) {
  const [schemes] = useState(() => schemesReceived(sent));
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
  /** Why a finished attempt could not be sent yet. */
  const [waiting, setWaiting] = useState<string | null>(null);
  /** Words of hints that were not sent with the exercise, by step and number. */
  const [asked, setHintWords] = useState<Readonly<Record<string, string>>>({});
  const [laid, setLaid] = useLayOver();

  const open = useMemo(() => tryOut?.open ?? openOnServer(exercise), [tryOut, exercise]);
  const attempt = useAttempt({
    exercise,
    meshHash,
    home,
    scheme: chosen,
    open,
    loaded: tryOut?.loaded ?? null,
    person: tryOut ? null : (person ?? null),
    onScheme: setScheme,
  });
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
  // An attempt that is gone on with stands where it was left.
  useEffect(() => {
    const events = session?.events ?? [];
    setStep(events.filter((e) => e.kind === 'stepDone').length);
    setHints(events.flatMap((e) => (e.kind === 'hint' ? [e.step] : [])));
    setHintWords({});
    setWaiting(null);
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
  const showCard = useCallback(() => {
    window.location.href = `/attempts/${opened?.id}`;
  }, [opened]);
  const notTaken = useCallback((words: string) => {
    setWaiting(null);
    toast.error(words, { duration: 12_000 });
  }, []);
  const handIn = async (): Promise<void> => {
    if (!session || !opened) return;
    setBusy(true);
    try {
      if (tryOut) await tryOut.onHandIn(attempt.trace());
      else {
        const result = await attempt.handIn();
        if (result.kind === 'sent') {
          showCard();
          return;
        }
        if (result.kind === 'waits') setWaiting(result.words);
        else toast.error(result.words, { duration: 12_000 });
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
  const takeHint = async (): Promise<void> => {
    const number = hints.filter((n) => n === step).length;
    if (!session || !present || number >= present.hints.length) return;
    if (present.hints[number] === '' && opened) {
      try {
        const { words } = await send<{ words: string }>(`/api/attempts/${opened.id}/hints`, { step, number });
        setHintWords((known) => ({ ...known, [`${step} ${number}`]: words }));
      } catch (error) {
        toast.error(wordsOf(error));
        return;
      }
    }
    session.event({ kind: 'hint', step, number });
    setHints((known) => [...known, step]);
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
    // What was broken off is still offered: the choice is for when one starts again.
    if (!attempt.offered) attempt.begin(found);
  };
  const startAgain = (): void => attempt.begin(chosen);

  const taken = hints.filter((n) => n === step).length;
  const hintWords = taken > 0 ? present?.hints[taken - 1] || (asked[`${step} ${taken - 1}`] ?? null) : null;
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
              {goal?.kind === 'followOrbit' && exercise.showTarget && drawn && <OrbitLine goal={goal} view={drawn} />}
              {goal?.kind === 'frameIt' && <InnerLines margins={goal.margins} />}
              {laid && picture && <img src={picture} alt="" className="pointer-events-none absolute inset-0 h-full w-full opacity-55" />}
            </>
          }
        >
          {!session && (
            <div className="absolute inset-0 grid place-items-center bg-stage/80" role="status" data-stage-wait={attempt.offered ? undefined : ''}>
              {attempt.error ? (
                <div className="max-w-sm text-center">
                  <p className="font-semibold">{attempt.error}</p>
                  <button type="button" className="button mt-3" onClick={startAgain}>
                    Try again
                  </button>
                </div>
              ) : attempt.offered ? (
                <div className="card max-w-sm p-6 text-center" data-testid="go-on">
                  <h2 className="text-xl">Go on where you were?</h2>
                  <p className="mt-2">You were in the middle of this exercise. What you did is kept, and the time since does not count.</p>
                  <div className="mt-4 flex justify-center gap-3">
                    <button type="button" className="button" onClick={startAgain}>
                      Start again
                    </button>
                    <button type="button" className="button-main" onClick={attempt.goOn}>
                      Go on
                    </button>
                  </div>
                </div>
              ) : (
                <p>{prepared ? 'Opening …' : 'Loading the model …'}</p>
              )}
            </div>
          )}
          {waiting !== null && person && opened && <WaitingToSend person={person} attempt={opened.id} words={waiting} onSent={showCard} onRefused={notTaken} />}
        </StageView>
        <div className="mt-2">
          {state && <Wake fixes={state.fixes} at={state.at} pictureOf={pictureOf} onGo={go} enabled={exercise.allowed.includes('recover')} scheme={scheme} />}
        </div>
        <LiveAdvice closeness={calls.call || waiting !== null ? null : closeness} words={hintWords} end={last ? 'Hand in' : 'Done'} />
        <div className="mt-1 flex items-end gap-5">
          <LiveBars closeness={closeness} />
          <div className="flex shrink-0 gap-2.5">
            {present && present.hints.length > 0 && (
              <button type="button" className="button" onClick={() => void takeHint()} disabled={!session || waiting !== null || taken >= present.hints.length}>
                Hint{' '}
                <span className="text-ink-soft">
                  {Math.min(taken + 1, present.hints.length)} of {present.hints.length}
                </span>
              </button>
            )}
            <button
              type="button"
              className="button"
              onClick={() => (session && session.moves.length > 0 ? setSheet('restart') : startAgain())}
              disabled={!session}
            >
              Start again
            </button>
            <button type="button" className="button-main" onClick={() => done(false)} disabled={!session || busy || waiting !== null}>
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
        onYes={startAgain}
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
