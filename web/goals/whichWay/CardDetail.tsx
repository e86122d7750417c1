import type { WayResult } from '@core/criteria';
import { questionScene } from '@core/goals/whichWay/aim';
import { BUILT_IN_SCHEMES, type Scheme } from '@core/input';
import { backOf } from '@core/math';
import type { Scene } from '@core/navigation';
import { mixViews } from '@core/trace';
import { anglesOf, nearestStandardDirection, standardOrientation, viewWords } from '@core/view';
import { ARC, ARC_PATH, arcPoint, CHART, MIDDLE, RING, ringPoint } from '@web/stage/dial/dialPlaces';
import { createScenePlayer } from '@web/stage/sceneSource';
import { useStage } from '@web/stage/useStage';
import { RotateCcw } from 'lucide-react';
import { useEffect, useMemo, useState } from 'react';
import type { CardDetailProps } from '../goalParts';
import { useModel } from '../useModel';

/** The way to the front takes this long, seconds, after the view stood for a moment. */
const TURN = 5;
const STAND = 0.8;

/** From where it was seen, hollow, and from where it was said to be, filled. */
function Answer({ result, height }: { readonly result: WayResult; readonly height: boolean }) {
  const truth = anglesOf(result.question.orientation);
  const at = ringPoint(truth.azimuth, RING);
  const said = result.answered && ringPoint(result.answered.azimuth, RING);
  return (
    <svg viewBox={`${CHART.x} ${CHART.y} ${CHART.width} ${CHART.height}`} className="w-24 shrink-0" aria-hidden="true">
      <circle cx={MIDDLE} cy={MIDDLE} r={RING} fill="none" stroke="var(--color-ink)" strokeWidth="2" />
      <path d={`M ${MIDDLE - 9} ${MIDDLE + RING + 1} h 18 l -9 -14 z`} fill="var(--color-signal)" />
      {said && <circle cx={said.x} cy={said.y} r="11" fill="var(--color-ink)" />}
      <circle cx={at.x} cy={at.y} r="14" fill="none" stroke="var(--color-amber)" strokeWidth="6" />
      {height && (
        <>
          <path d={ARC_PATH} fill="none" stroke="var(--color-ink)" strokeWidth="2" />
          {result.answered && (
            <circle cx={arcPoint(result.answered.elevation, ARC).x} cy={arcPoint(result.answered.elevation, ARC).y} r="9" fill="var(--color-ink)" />
          )}
          <circle cx={arcPoint(truth.elevation, ARC).x} cy={arcPoint(truth.elevation, ARC).y} r="11" fill="none" stroke="var(--color-amber)" strokeWidth="5" />
        </>
      )}
    </svg>
  );
}

function words({ question, answered, right, error }: WayResult): string {
  const from = `Seen from the ${viewWords(nearestStandardDirection(backOf(question.orientation)))}`;
  if (!answered) return `${from}; no answer.`;
  const off = `${Math.round((error * 180) / Math.PI)}°`;
  return right ? `${from}, as you said, to ${off}.` : `${from}; your answer was ${off} off.`;
}

/** The view that was shown, turned slowly to the front: it teaches what the signs were. */
function Turning({ scene, meshHash, again }: { readonly scene: Scene; readonly meshHash: string; readonly again: number }) {
  const { prepared, error } = useModel(meshHash);
  const player = useMemo(() => createScenePlayer(scene), [scene]);
  const { canvas } = useStage(prepared, null, BUILT_IN_SCHEMES[0] as Scheme, { source: player });
  useEffect(() => {
    if (!prepared || again < 0) return;
    const front = { ...scene, view: { ...scene.view, orientation: standardOrientation('front') } };
    if (window.matchMedia('(prefers-reduced-motion: reduce)').matches) {
      player.show(front, TURN);
      return;
    }
    const began = performance.now();
    let frame = 0;
    const next = (now: number): void => {
      const k = Math.min(1, Math.max(0, ((now - began) / 1000 - STAND) / TURN));
      player.show({ ...scene, view: mixViews(scene.view, front.view, k * k * (3 - 2 * k)) }, k * TURN);
      if (k < 1) frame = requestAnimationFrame(next);
    };
    frame = requestAnimationFrame(next);
    return () => cancelAnimationFrame(frame);
  }, [prepared, scene, player, again]);
  if (error) return <p role="alert">{error}</p>;
  return <canvas ref={canvas} className="h-full w-full" role="img" aria-label="The view that was shown, turning to the front" />;
}

/** Each view with its answer, and the chosen one turning to the front. */
export function WhichWayDetail({ detail, meshHash, exercise, step }: CardDetailProps) {
  const { prepared } = useModel(meshHash);
  const [chosen, setChosen] = useState(0);
  const [again, setAgain] = useState(0);
  const questions = detail?.kind === 'ways' ? detail.questions : [];
  const part = detail?.kind === 'ways' ? detail.part : null;
  const result = questions[Math.min(chosen, questions.length - 1)];
  const scene = useMemo(() => {
    if (!prepared || !result) return null;
    const goal = { questions: [result.question], ...(part === null ? {} : { part }) };
    return questionScene(goal, { mesh: prepared.mesh, home: result.question }, 0);
  }, [prepared, result, part]);
  if (!result) return null;
  const goal = exercise.steps[step]?.goal;
  const height = goal?.kind === 'whichWay' && goal.ask !== 'side';
  return (
    <div className="mb-4 grid gap-4 md:grid-cols-[3fr_2fr]">
      <figure>
        <div className="aspect-[1.6] overflow-hidden rounded-lg border border-ink bg-stage">
          {scene && <Turning key={chosen} scene={scene} meshHash={meshHash} again={again} />}
        </div>
        <figcaption className="mt-1 flex items-center justify-between text-ink-soft text-sm">
          <span>View {chosen + 1}, turning to the front</span>
          <button type="button" className="button-quiet text-sm" onClick={() => setAgain((n) => n + 1)}>
            <RotateCcw size={14} aria-hidden="true" /> Once more
          </button>
        </figcaption>
      </figure>
      <div>
        <ul className="space-y-2">
          {questions.map((each, i) => (
            <li key={each.number}>
              <button
                type="button"
                aria-pressed={i === chosen}
                className={`flex w-full items-center gap-3 rounded-lg border p-2 text-left ${i === chosen ? 'border-ink bg-bar' : 'border-rule'}`}
                onClick={() => {
                  setChosen(i);
                  setAgain((n) => n + 1);
                }}
              >
                <Answer result={each} height={height} />
                <span className="text-sm">
                  <strong>View {i + 1}</strong>
                  {each.seconds !== null && <span className="font-mono text-ink-soft"> · {each.seconds.toFixed(1)} s</span>}
                  <span className={`block ${each.right ? '' : 'font-semibold text-signal'}`}>{words(each)}</span>
                </span>
              </button>
            </li>
          ))}
        </ul>
        <p className="mt-2 flex gap-4 text-sm">
          <span>● your answer</span>
          <span>
            <span className="font-bold text-amber">○</span> where it was seen from
          </span>
        </p>
      </div>
    </div>
  );
}
