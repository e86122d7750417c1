import { goalShown } from '@core/exercise';
import type { Part } from '@core/geometry';
import { aimOf, isStill, picturedBy, taskOf, watchOf } from '@core/goals';
import type { SentScheme } from '@core/input';
import type { View } from '@core/view';
import type { LandmarkSeen } from '@server/services/landmarks';
import { overlayOf } from '@web/goals/overlays';
import { panelOf } from '@web/goals/panels';
import type { AskedValue } from '@web/stage/aids';
import { ViewDial } from '@web/stage/dial/ViewDial';
import type { MeasuredListener } from '@web/stage/measuring/measuring';
import { loadStageMenu } from '@web/stage/panels/StageMenu';
import { puckToSession } from '@web/stage/puck/puckFeed';
import { StageView } from '@web/stage/StageView';
import { useRefusals } from '@web/stage/useRefusals';
import { useCommand, useFolded, useStanding } from '@web/stage/useStage';
import { StageWake } from '@web/stage/Wake';
import { Html } from '@web/ui/Html';
import type { ExerciseWords } from '@web/ui/markdown';
import { loadToasts, Saying } from '@web/ui/Saying';
import { sayWrong } from '@web/ui/say';
import { lazy, Suspense, useCallback, useEffect, useMemo } from 'react';
import { Actions } from './Actions';
import { LiveAdvice, LiveBars } from './LiveHelp';
import { SchemeChoice } from './SchemeChoice';
import { StageWait } from './StageWait';
import { StepList } from './StepList';
import { TargetPicture, useLayOver, useTargetPicture } from './TargetPicture';
import { isBegun, type Practised } from './useAttempt';
import { hintsOf, type Practise, type TryOut, usePractise } from './usePractise';

interface Props {
  /** Whose attempt it is; left out when an author tries it out. */
  readonly person?: string;
  readonly exercise: Practised;
  /** Its words, as HTML. */
  readonly words: ExerciseWords;
  readonly meshHash: string;
  readonly home: View;
  readonly landmarks: readonly LandmarkSeen[];
  readonly schemes: readonly SentScheme[];
  /** Published pictures of the targets, per step. */
  readonly pictures: readonly (string | null)[];
  /** Given when an author tries it out: nothing is kept. */
  readonly tryOut?: TryOut;
}

const NO_PARTS: readonly Part[] = [];
const LOOK_ROUND = 'Look round as you like: nothing counts yet. Then press Begin.';
/** Loaded when they are first opened. */
const loadSchemeCard = () => import('./SchemeCardSheet');
const SchemeCardSheet = lazy(async () => ({ default: (await loadSchemeCard()).SchemeCardSheet }));
const loadQuestions = () => import('./Questions');
const Questions = lazy(async () => ({ default: (await loadQuestions()).Questions }));
const loadWaiting = () => import('./WaitingToSend');
const WaitingToSend = lazy(async () => ({ default: (await loadWaiting()).WaitingToSend }));
/** Loaded where a step says how it has to be done. */
const MethodAsked = lazy(async () => ({ default: (await import('@web/goals/MethodAsked')).MethodAsked }));
const PivotAsked = lazy(async () => ({ default: (await import('@web/goals/PivotAsked')).PivotAsked }));
/** Loaded where an author shows how it is done. */
const Watch = lazy(async () => ({ default: (await import('./Watch')).Watch }));
/** Loaded by those who have a 3D mouse. */
const PuckPanel = lazy(async () => ({ default: (await import('@web/stage/puck/PuckPanel')).PuckPanel }));

/** Beside the stage: what is to be done, the target, the puck and the dial. Where there is no room beside it, the title stands above and the rest below. */
function Aside({
  practise,
  exercise,
  words,
  picture,
  onLay,
}: {
  practise: Practise;
  exercise: Practised;
  words: ExerciseWords;
  picture: string | null;
  onLay: (laid: boolean) => void;
}) {
  const { using, stage, attempt, present, task, state } = practise;
  const { session } = attempt;
  const { scheme } = using;
  const command = useCommand(stage, 'dial');
  const { aids } = stage;
  const onMeasure = useCallback((asked: AskedValue | null) => aids?.measure(asked), [aids]);
  const puck = useMemo(() => (session ? puckToSession(session, scheme) : null), [session, scheme]);
  const goal = goalShown(exercise, present);
  const Panel = present && panelOf(present.goal);
  const still = present !== undefined && isStill(present.goal.kind);
  const ownPuck = scheme.family === 'puck' && !still;
  return (
    <aside className={`${useFolded(stage) ? 'hidden' : 'flex max-md:contents'} w-64 shrink-0 flex-col gap-3 overflow-y-auto pr-1`}>
      <div className="max-md:order-1">
        <h1 className="text-2xl leading-tight">{exercise.title}</h1>
        {words.brief && <Html html={words.brief} className="mt-1 text-ink-soft text-sm" />}
        <StepList steps={exercise.steps} words={words} at={state.step} />
        {present?.method && (
          <Suspense>
            <MethodAsked step={present} />
          </Suspense>
        )}
      </div>
      {picture && !still && (
        <div className="shrink-0 max-md:order-1 max-md:w-52 max-md:self-center">
          <TargetPicture picture={picture} onLay={onLay} />
        </div>
      )}
      {Panel && present && (
        <div className={`shrink-0 ${still ? 'max-md:order-3' : 'max-md:order-1'}`}>
          <Panel
            goal={present.goal}
            prompt={task.prompt}
            parts={stage.prepared?.mesh.parts ?? NO_PARTS}
            onConfirm={task.confirm}
            onAnswer={task.answer}
            onMeasure={onMeasure}
          />
        </div>
      )}
      {ownPuck && puck && (
        <Suspense>
          <div className="contents max-md:order-3 max-md:block">
            <PuckPanel listener={puck} scheme={scheme} frames={stage.handle?.renderer.frames} onMoves={using.setMoves} />
          </div>
        </Suspense>
      )}
      <div className={`mt-auto shrink-0 max-md:order-4 max-md:w-64 max-md:self-center ${still ? 'hidden' : ''} ${ownPuck ? 'w-44 self-center' : ''}`}>
        <ViewDial
          view={stage.drawn ?? exercise.start.view}
          from={session?.getState().scene.view ?? exercise.start.view}
          target={goal && present ? (aimOf({ goal, skill: present.skill }).target?.view ?? null) : null}
          onCommand={command}
          enabled={exercise.allowed.includes('standard')}
          scheme={scheme}
        />
      </div>
    </aside>
  );
}

export function PractiseScreen({ person, exercise, words, meshHash, home, landmarks, schemes, pictures, tryOut }: Props) {
  const practise = usePractise({ person: person ?? null, exercise, words, meshHash, home, schemes, tryOut });
  const { store, state, using, attempt, stage, present, last, task, closeness, slips } = practise;
  const { session, opened, offered } = attempt;
  const { waiting } = state;
  const [laid, setLaid] = useLayOver();
  const goal = goalShown(exercise, present);
  const target = useMemo(() => goal && picturedBy(goal, exercise.start), [goal, exercise.start]);
  const picture = useTargetPicture(stage.handle, target, exercise.showTarget ? null : (pictures[state.step] ?? null));
  useRefusals(session);
  const openCard = useCallback(() => store.setState({ sheet: 'scheme' }), [store]);
  const notTaken = useCallback(
    (words: string) => {
      store.setState({ waiting: null });
      sayWrong(words);
    },
    [store],
  );
  // With the first movement all that may be asked later is fetched, for the server may be away by then.
  useEffect(() => {
    const forget = session?.subscribe(() => {
      forget?.();
      for (const load of [loadQuestions, loadSchemeCard, loadStageMenu, loadToasts, loadWaiting]) void load().catch(() => {});
    });
    return forget;
  }, [session]);
  const recording = present && watchOf(present);
  const playIt = useCallback(() => store.setState({ watch: 'playing' }), [store]);
  const closeIt = useCallback(() => store.setState({ watch: null }), [store]);
  const { measured } = task;
  const onMeasured = useCallback<MeasuredListener>(
    ({ picked: [a, b] }, asked) => {
      if (asked && a) measured({ ask: asked.id, a: a.pick, ...(b ? { b: b.pick } : {}) });
    },
    [measured],
  );
  const Overlay = present && overlayOf(present.goal);

  return (
    <div className="flex min-h-0 flex-1 gap-5 px-6 py-4 max-md:flex-col max-md:gap-3 max-md:overflow-y-auto max-md:px-3">
      <Saying />
      <SchemeChoice scheme={using.scheme} schemes={using.schemes} onChoose={practise.askScheme} onCard={openCard} onLeave={tryOut?.onLeave} />
      <Aside practise={practise} exercise={exercise} words={words} picture={picture} onLay={setLaid} />
      <div className="flex min-w-0 flex-1 flex-col max-md:order-2 max-md:flex-none">
        <StageView
          stage={stage}
          label={`Stage: ${exercise.title}. Keys move the view; the scheme card lists them.`}
          recover={exercise.allowed.includes('recover') && !(present && taskOf(present.goal).ownStart)}
          views={{ modelId: exercise.model.id, forAll: false }}
          landmarks={landmarks}
          onMeasured={onMeasured}
          overlay={
            <>
              <Suspense>
                {present?.method && <PivotAsked step={present} view={stage.drawn} />}
                {Overlay && present && stage.drawn && (
                  <Overlay goal={present.goal} view={stage.drawn} prompt={task.prompt} picture={picture} floorAt={stage.floorAt} />
                )}
              </Suspense>
              {laid && picture && <img src={picture} alt="" className="pointer-events-none absolute inset-0 h-full w-full opacity-55" />}
            </>
          }
        >
          {!session && (
            <StageWait
              error={attempt.error}
              offered={offered !== null}
              loaded={attempt.prepared !== null}
              onAgain={practise.startAgain}
              onGoOn={attempt.goOn}
            />
          )}
          {session && recording && present && state.watch && (
            <Suspense>
              <Watch
                key={present.id}
                recording={recording}
                session={session}
                scheme={using.labelled}
                playing={state.watch === 'playing'}
                onSource={practise.setPlayed}
                onPlay={playIt}
                onClose={closeIt}
              />
            </Suspense>
          )}
          {waiting !== null && person && opened && (
            <Suspense>
              <WaitingToSend person={person} attempt={opened.id} words={waiting} onSent={practise.showCard} onRefused={notTaken} />
            </Suspense>
          )}
        </StageView>
        <StageWake stage={stage} enabled={exercise.allowed.includes('recover')} />
        <LiveAdvice
          closeness={waiting === null ? closeness : null}
          asked={task}
          standing={useStanding(stage)}
          hint={practise.looking ? LOOK_ROUND : practise.hint}
          end={last ? 'Hand in' : 'Done'}
          scheme={using.labelled}
        />
        <div className="mt-1 flex items-end gap-5 max-lg:flex-col max-lg:items-stretch max-lg:gap-3">
          <LiveBars closeness={closeness} />
          <Actions
            hints={present ? hintsOf(present) : 0}
            taken={practise.taken}
            last={last}
            busy={state.busy}
            ready={session !== null && waiting === null}
            running={session !== null}
            onBegin={practise.looking ? practise.endLook : null}
            onHint={() => void practise.takeHint()}
            onRestart={() => (session && isBegun(session) ? store.setState({ sheet: 'restart' }) : practise.startAgain())}
            onDone={() => practise.done(false)}
          />
        </div>
      </div>
      {state.sheet === 'scheme' && (
        <Suspense>
          <SchemeCardSheet
            open
            onOpenChange={(open) => store.setState({ sheet: open ? 'scheme' : null })}
            scheme={using.scheme}
            schemes={using.schemes}
            slips={slips}
          />
        </Suspense>
      )}
      {(state.sheet || state.wanted) && (
        <Suspense fallback={null}>
          <Questions
            store={store}
            last={last}
            far={practise.far}
            onRestart={practise.startAgain}
            onDone={() => practise.done(true)}
            onChange={() => {
              if (state.wanted) practise.changeScheme(state.wanted);
              store.setState({ wanted: null });
            }}
          />
        </Suspense>
      )}
    </div>
  );
}
