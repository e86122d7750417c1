import { goalShown } from '@core/exercise';
import type { Part } from '@core/geometry';
import { aimOf, isStill, picturedBy, taskOf, watchOf } from '@core/goals';
import type { SentScheme } from '@core/input';
import type { View } from '@core/view';
import type { LandmarkSeen } from '@server/services/landmarks';
import { overlayOf } from '@web/goals/overlays';
import { panelOf } from '@web/goals/panels';
import { subjectWords } from '@web/goals/subjectWords';
import { useSubjectShown } from '@web/goals/useSubjectShown';
import type { AskedValue } from '@web/stage/aids';
import { ViewDial } from '@web/stage/dial/ViewDial';
import type { MeasuredListener } from '@web/stage/measuring/measuring';
import { loadStageMenu } from '@web/stage/panels/StageMenu';
import { StageView } from '@web/stage/StageView';
import { useRefusals } from '@web/stage/useRefusals';
import { useCommand, useFolded, useStanding } from '@web/stage/useStage';
import { StageWake } from '@web/stage/Wake';
import { Html } from '@web/ui/Html';
import type { ExerciseWords } from '@web/ui/markdown';
import { loadToasts, Saying } from '@web/ui/Saying';
import { sayWrong } from '@web/ui/say';
import { loadTips } from '@web/ui/Tip';
import { ALL_READ, useFirstNotes } from '@web/ui/useFirstNotes';
import { lazy, Suspense, useCallback, useEffect, useMemo } from 'react';
import { Actions } from './Actions';
import { LiveAdvice, LiveBars } from './LiveHelp';
import { SchemeChoice } from './SchemeChoice';
import { StageWait } from './StageWait';
import { StepList } from './StepList';
import { loadTargetLarge, TargetPicture, useLayOver, useTargetPicture } from './TargetPicture';
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
  /** Whether they never practised before. */
  readonly newcomer?: boolean;
}

const NO_PARTS: readonly Part[] = [];
const LOOK_ROUND = 'Look round as you like: nothing counts yet. Then press Begin.';
/** Loaded when they are first opened. */
const loadSchemeCard = () => import('./SchemeCardSheet');
const SchemeCardSheet = lazy(async () => ({ default: (await loadSchemeCard()).SchemeCardSheet }));
/** Loaded by newcomers, and who calls the first notes back. */
const FirstMinutes = lazy(async () => ({ default: (await import('./FirstMinutes')).FirstMinutes }));
const loadQuestions = () => import('./Questions');
const Questions = lazy(async () => ({ default: (await loadQuestions()).Questions }));
const loadTelling = () => import('@web/stage/tellView');
const loadTrying = () => import('@web/stage/trying/TrySheet');
const loadWaiting = () => import('./WaitingToSend');
const WaitingToSend = lazy(async () => ({ default: (await loadWaiting()).WaitingToSend }));
/** Loaded where a step says how it has to be done. */
const MethodAsked = lazy(async () => ({ default: (await import('@web/goals/MethodAsked')).MethodAsked }));
const PivotAsked = lazy(async () => ({ default: (await import('@web/goals/PivotAsked')).PivotAsked }));
/** Loaded where an author shows how it is done. */
const Watch = lazy(async () => ({ default: (await import('./Watch')).Watch }));
/** Loaded by those who have a 3D mouse. */
const Puck = lazy(async () => ({ default: (await import('./Puck')).Puck }));

/** Beside the stage: what is to be done, the target, the puck and the dial. Where there is no room beside it, the title stands above and the rest below, in the grid of the screen. */
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
  const goal = goalShown(exercise, present);
  const subject = useSubjectShown(stage.handle, present?.goal);
  const Panel = present && panelOf(present.goal);
  const still = present !== undefined && isStill(present.goal.kind);
  // Where there is no picture of a target what is asked has its place beside the dial.
  const beside = !picture && !still;
  const ownPuck = scheme.family === 'puck' && !still;
  return (
    <aside
      className={`${useFolded(stage) ? 'hidden' : 'flex stacked:contents low:contents'} w-64 min-[1800px]:w-88 shrink-0 flex-col gap-3 overflow-y-auto pr-1`}
    >
      <div className="stacked:order-1 low:order-1 stacked:col-span-2">
        <h1 className="text-2xl low:text-lg stacked:text-xl leading-tight">{exercise.title}</h1>
        {words.brief && <Html html={words.brief} className="mt-1 text-ink-soft text-sm stacked:max-md:hidden low:hidden" />}
        <StepList steps={exercise.steps} words={words} at={state.step} />
        {subject.parts.length > 0 && (
          <button type="button" className="button-quiet mt-1 text-left text-sm" onClick={subject.show}>
            Show {subjectWords(stage.prepared?.mesh.parts ?? NO_PARTS, subject.parts)} on the stage
          </button>
        )}
        {present?.method && (
          <Suspense>
            <MethodAsked step={present} />
          </Suspense>
        )}
      </div>
      {picture && !still && (
        <div className="shrink-0 stacked:order-6 low:order-3 low:mb-2">
          <TargetPicture picture={picture} onLay={onLay} />
        </div>
      )}
      {Panel && present && (
        <div className={`shrink-0 stacked:order-4 low:order-4 stacked:col-span-2 ${beside ? 'stacked:md:order-6 stacked:md:col-span-1' : ''}`}>
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
      {ownPuck && session && (
        <Suspense>
          <div className="contents stacked:order-8 stacked:block low:order-8 low:block stacked:col-span-2">
            <Puck session={session} scheme={scheme} frames={stage.handle?.renderer.frames} onMoves={using.setMoves} />
          </div>
        </Suspense>
      )}
      <div
        className={`mt-auto shrink-0 stacked:order-7 stacked:mt-0 low:order-7 low:mt-0 stacked:md:w-72 stacked:justify-self-center ${still ? 'hidden' : ''} ${ownPuck ? 'w-44 self-center' : ''}`}
      >
        <ViewDial
          view={stage.drawn ?? exercise.start.view}
          from={session?.getState().scene.view ?? exercise.start.view}
          target={goal && present ? (aimOf({ goal, skill: present.skill }).target?.view ?? null) : null}
          onCommand={command}
          enabled={exercise.allowed.includes('standard')}
          scheme={scheme}
          crowded={ownPuck}
        />
      </div>
    </aside>
  );
}

export function PractiseScreen({ person, exercise, words, meshHash, home, landmarks, schemes, pictures, tryOut, newcomer = false }: Props) {
  const practise = usePractise({ person: person ?? null, exercise, words, meshHash, home, schemes, tryOut });
  const { store, state, using, attempt, stage, present, last, task, closeness, slips } = practise;
  const { session, opened, offered } = attempt;
  const { waiting } = state;
  const [laid, setLaid] = useLayOver();
  const goal = goalShown(exercise, present);
  const target = useMemo(() => goal && picturedBy(goal, exercise.start), [goal, exercise.start]);
  const picture = useTargetPicture(stage.handle, target, exercise.showTarget ? null : (pictures[state.step] ?? null));
  const [read, setRead] = useFirstNotes('practise', newcomer);
  useRefusals(session);
  const skills = useMemo(() => [...new Set(exercise.steps.map(({ skill }) => skill))], [exercise.steps]);
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
      for (const load of [loadQuestions, loadSchemeCard, loadStageMenu, loadTargetLarge, loadTelling, loadTips, loadToasts, loadTrying, loadWaiting])
        void load().catch(() => {});
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
    <div className="flex min-h-0 flex-1 stacked:grid low:grid stacked:grid-cols-2 low:grid-cols-[minmax(0,1fr)_17rem] stacked:auto-rows-max stacked:content-start low:content-start gap-5 stacked:gap-3 low:gap-x-3 low:gap-y-0 stacked:overflow-y-auto low:overflow-y-auto px-6 stacked:px-3 low:px-3 py-4 stacked:pt-2 stacked:pb-0 low:py-0">
      <Saying />
      <SchemeChoice scheme={using.scheme} schemes={using.schemes} onChoose={practise.askScheme} onCard={openCard} onLeave={tryOut?.onLeave} />
      <Aside practise={practise} exercise={exercise} words={words} picture={picture} onLay={setLaid} />
      <div className="flex min-w-0 flex-1 stacked:contents low:contents flex-col">
        <StageView
          stage={stage}
          className="stacked:order-2 stacked:col-span-2 low:sticky low:top-0 low:col-start-1 low:row-span-[12] low:row-start-1 low:h-[calc(100dvh-2.75rem)]"
          label={`Stage: ${exercise.title}. Keys move the view; the scheme card lists them.`}
          recover={exercise.allowed.includes('recover') && !(present && taskOf(present.goal).ownStart)}
          views={{ modelId: exercise.model.id, forAll: false }}
          landmarks={landmarks}
          figures={closeness?.results}
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
        <div className="stacked:order-5 stacked:col-span-2 stacked:max-md:hidden low:hidden">
          <StageWake stage={stage} enabled={exercise.allowed.includes('recover')} />
        </div>
        <LiveAdvice
          closeness={waiting === null ? closeness : null}
          asked={task}
          standing={useStanding(stage)}
          hint={practise.looking ? LOOK_ROUND : practise.hint}
          end={last ? 'Hand in' : 'Done'}
          scheme={using.labelled}
        />
        <div className="mt-1 flex items-end gap-5 max-xl:flex-col max-xl:items-stretch max-xl:gap-3 stacked:contents low:contents">
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
      {session && read < ALL_READ && (
        <Suspense>
          <FirstMinutes session={session} scheme={using.labelled} end={last ? 'Hand in' : 'Done'} read={read} onRead={setRead} />
        </Suspense>
      )}
      {state.sheet === 'scheme' && (
        <Suspense>
          <SchemeCardSheet
            open
            onOpenChange={(open) => store.setState({ sheet: open ? 'scheme' : null })}
            scheme={using.scheme}
            schemes={using.schemes}
            slips={slips}
            skills={skills}
            onNotes={() => setRead(0)}
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
