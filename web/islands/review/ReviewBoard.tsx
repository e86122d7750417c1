import type { Step } from '@core/exercise';
import { aimOf } from '@core/goals';
import { BUILT_IN_SCHEMES, type Scheme, schemesReceived } from '@core/input';
import type { Vec3 } from '@core/math';
import type { ScoredModel } from '@core/model';
import type { Scene } from '@core/navigation';
import type { Replayed } from '@core/review';
import { type Folding, type Moment, mostTelling } from '@core/review';
import type { View } from '@core/view';
import { panelOf } from '@web/goals/panels';
import type { Prepared } from '@web/stage/prepared';
import { Html } from '@web/ui/Html';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { useStore } from 'zustand';
import { Attempt } from './Attempt';
import { CommentList } from './CommentList';
import type { Clock } from './clock';
import { DialHere } from './DialHere';
import { FactsTable } from './FactsTable';
import { Jumps } from './Jumps';
import { ReferenceBar, type Shown } from './ReferenceBar';
import { type Pin, ReviewStage } from './ReviewStage';
import { type Pace, wayOf } from './reference';
import type { Reviewed } from './reviewed';
import { TimeLine } from './TimeLine';
import { Transport } from './Transport';
import { threadsOf, useComments } from './useComments';
import { useLookedThrough } from './useLookedThrough';
import { useReference } from './useReference';
import { useReviewKeys } from './useReviewKeys';
import { WakeThen } from './WakeThen';

const nothing = (): void => {};
const NONE: readonly Moment[] = [];

/** The moment that the page's address names, seconds from opening; null: none. */
function addressed(): number | null {
  const t = Number.parseFloat(new URLSearchParams(window.location.search).get('t') ?? '');
  return Number.isFinite(t) && t >= 0 ? t : null;
}

/** Changes of what is shown that are not of every picture: which step it is, and what it asks. */
function useStepAt(replayed: Replayed, clock: Clock) {
  const { player, folding, prompts } = replayed;
  const step = useStore(clock, ({ at }) => player.at(folding.fromFolded(at)).step);
  const prompt = useStore(clock, ({ at }) => {
    const t = folding.fromFolded(at);
    return prompts[step]?.findLast((each) => each.t <= t)?.prompt ?? null;
  });
  return { step, prompt };
}

/** At first: the moment that the address names, or the one that tells most, unless one has gone elsewhere meanwhile. */
function useFirstMoment(clock: Clock, folding: Folding, moments: readonly Moment[] | null): void {
  const placed = useRef(false);
  useEffect(() => {
    if (placed.current) return;
    const first = addressed() ?? (moments ? (mostTelling(moments)?.t ?? 0) : null);
    if (first === null) return;
    placed.current = true;
    const { at, running } = clock.getState();
    if (at === 0 && !running) clock.seek(folding.toFolded(first));
  }, [moments, clock, folding]);
}

interface Props {
  readonly reviewed: Reviewed;
  readonly prepared: Prepared;
  readonly model: ScoredModel;
  readonly replayed: Replayed;
  readonly clock: Clock;
}

/** The stage with its time line, and beside it what happened and what is said. */
export function ReviewBoard({ reviewed, prepared, model, replayed, clock }: Props) {
  const { exercise, known, attemptId, pictures, staff, learner } = reviewed;
  const { player, folding, trace } = replayed;
  const { moments, samples } = useLookedThrough(exercise.steps, known, model, trace);
  const comments = useComments(attemptId, reviewed.comments);
  const { step, prompt } = useStepAt(replayed, clock);
  const [pointing, setPointing] = useState(false);
  const [spot, setSpot] = useState<Vec3 | null>(null);
  const chosen = useReference(reviewed, replayed, model);
  const [shown, setShown] = useState<Shown>('ghost');
  const [pace, setPace] = useState<Pace>('share');
  const { reference } = chosen;
  const told = exercise.steps[step];
  const target = useMemo(() => (known && told ? (aimOf(told as Step).target?.view ?? null) : null), [known, told]);

  const scheme = useMemo(() => (reviewed.scheme && schemesReceived([reviewed.scheme])[0]) ?? (BUILT_IN_SCHEMES[0] as Scheme), [reviewed.scheme]);
  const sceneAt = useCallback((at: number): Scene => player.at(folding.fromFolded(at)).scene, [player, folding]);
  const otherAt = useCallback((at: number): Scene => reference?.sceneAt(at, pace) ?? sceneAt(0), [reference, pace, sceneAt]);
  const ghostAt = useCallback(
    (at: number): View | null => (reference && shown === 'ghost' ? (reference.sceneAt(at, pace)?.view ?? null) : null),
    [reference, shown, pace],
  );

  const way = useMemo(() => (reference && shown === 'ghost' ? wayOf(reference, replayed, step) : undefined), [reference, shown, replayed, step]);

  const go = useCallback(
    (t: number): void => {
      clock.stop();
      clock.seek(folding.toFolded(t));
    },
    [clock, folding],
  );
  const next = useCallback(
    (way: 1 | -1): Moment | null => {
      const { at } = clock.getState();
      const list = moments ?? NONE;
      return (way > 0 ? list.find(({ t }) => folding.toFolded(t) > at + 0.01) : list.findLast(({ t }) => folding.toFolded(t) < at - 0.01)) ?? null;
    },
    [clock, folding, moments],
  );
  useReviewKeys(replayed, clock, next);

  useFirstMoment(clock, folding, moments);

  const threads = useMemo(() => threadsOf(comments.list), [comments.list]);
  const numbered = useMemo(() => threads.map(({ t }, i) => ({ number: i + 1, t })), [threads]);
  const pins = useMemo<Pin[]>(
    () => [...threads.flatMap(({ point }, i) => (point ? [{ number: i + 1, point }] : [])), ...(spot ? [{ number: threads.length + 1, point: spot }] : [])],
    [threads, spot],
  );
  const setPoint = useCallback((on: boolean): void => {
    setPointing(on);
    if (!on) setSpot(null);
  }, []);
  const Panel = told && panelOf(told.goal);
  const beside = reference && shown === 'beside';
  const both = { prepared, clock, goal: told?.goal, prompt, picture: pictures[step] ?? null };

  return (
    <div className="flex min-h-0 flex-1 gap-5 px-5 py-3 max-lg:flex-col max-lg:gap-4 max-lg:overflow-y-auto">
      {/* In a narrow window one column: what happened stands between the stage and the time line. */}
      <div className="flex min-w-0 flex-1 flex-col max-lg:contents lg:overflow-y-auto">
        <div className={`flex min-h-0 shrink-0 gap-3 lg:shrink lg:min-h-64 lg:flex-1 ${beside ? 'max-lg:flex-col' : ''}`}>
          <ReviewStage
            {...both}
            sceneAt={sceneAt}
            label={`Stage: the attempt at ${exercise.title}`}
            ghostAt={ghostAt}
            way={way}
            pins={pins}
            onSpot={pointing ? setSpot : null}
          />
          {beside && (
            <ReviewStage {...both} sceneAt={otherAt} label={`Stage: ${reference.name}`}>
              <p className="absolute bottom-2 left-2 rounded bg-card/90 px-2 text-sm">{reference.name}</p>
            </ReviewStage>
          )}
        </div>
        <Transport replayed={replayed} clock={clock} next={next} />
        <div className="shrink-0 max-lg:order-2">
          <WakeThen replayed={replayed} clock={clock} scheme={scheme} />
          <TimeLine steps={exercise.steps} replayed={replayed} clock={clock} moments={moments ?? NONE} samples={samples} known={known} comments={numbered} />
          <ReferenceBar chosen={chosen} shown={shown} onShown={setShown} pace={pace} onPace={setPace} />
          <details className="mt-1 shrink-0 text-sm">
            <summary>The same as a table</summary>
            <FactsTable steps={exercise.steps} replayed={replayed} moments={moments ?? NONE} samples={samples} />
          </details>
        </div>
      </div>
      <aside className="flex w-80 shrink-0 flex-col gap-4 overflow-y-auto pr-1 max-lg:contents">
        <div className="flex shrink-0 flex-col gap-4 max-lg:order-1">
          <Attempt reviewed={reviewed} now={() => folding.fromFolded(clock.getState().at)} />
          <Jumps
            moments={moments}
            folding={folding}
            many={exercise.steps.length > 1}
            onGo={({ t }) => go(t)}
            onPlay={({ from }) => {
              clock.seek(folding.toFolded(from));
              clock.play();
            }}
          />
        </div>
        <div className="flex shrink-0 flex-col gap-4 max-lg:order-3">
          <section aria-label="What was asked" className="flex shrink-0 items-start gap-3">
            <DialHere clock={clock} sceneAt={sceneAt} target={target} ghostAt={ghostAt} />
            <div className="min-w-0">
              {exercise.steps.length > 1 && <p className="font-semibold text-sm">Step {step + 1}</p>}
              <Html html={reviewed.words.steps[step]?.brief ?? ''} className="text-sm" />
            </div>
          </section>
          {Panel && told && (
            <div inert>
              <Panel goal={told.goal} prompt={prompt} parts={prepared.mesh.parts} onConfirm={nothing} onAnswer={nothing} onMeasure={nothing} />
            </div>
          )}
          <CommentList
            attemptId={attemptId}
            comments={comments}
            folding={folding}
            staff={staff}
            mine={learner === null}
            now={() => folding.fromFolded(clock.getState().at)}
            onGo={go}
            spot={spot}
            pointing={pointing}
            onPointing={setPoint}
          />
        </div>
      </aside>
    </div>
  );
}
