import { CRITERIA } from '@core/criteria';
import type { Exercise } from '@core/exercise';
import { skillLabel } from '@core/exercise';
import { kindOf, type StoryPicture } from '@core/goals';
import type { View } from '@core/view';
import { FramedPicture } from '@web/goals/FramedPicture';
import { MarksOver } from '@web/goals/MarksOver';
import { useHiddenStage } from '@web/goals/useHiddenStage';
import { useScored } from '@web/stage/useScored';
import { Html } from '@web/ui/Html';
import type { ExerciseWords } from '@web/ui/markdown';
import { PrintButton } from '@web/ui/PrintButton';
import { useMemo, useState } from 'react';
import { limitsWords } from './CriteriaTable';
import { useStepPictures } from './useStepPictures';

interface Props {
  readonly exercise: Exercise;
  /** Its words, as HTML. */
  readonly words: ExerciseWords;
  readonly model: string;
  readonly meshHash: string;
  /** The home view of the model. */
  readonly home: View;
}

/** Pictures are printed: twice the points of their place on the page. */
const WIDTH = 720;
const PLACE = 'w-72 shrink-0 print:w-[62mm]';
const WAITING = 'The picture is being drawn …';
const SHOWN: Record<StoryPicture['shows'], string> = {
  target: 'The target',
  asked: 'The first that is asked about',
  subject: 'Where it begins, with what it is about picked',
  start: 'Where it begins',
};

/** An exercise on paper: where it begins, and each step with its picture; what is judged and the hints, for those who teach. */
export function ExerciseSheet({ exercise, words, model, meshHash, home }: Props) {
  const { handle, shown, prepared } = useHiddenStage(meshHash);
  const steps = useMemo(() => exercise.steps.filter(({ off }) => !off), [exercise]);
  const pictures = useStepPictures(handle, useScored(prepared, home), exercise.start, steps, WIDTH);
  const [teaching, setTeaching] = useState(true);
  return (
    <article>
      {shown}
      <div className="flex flex-wrap items-start justify-between gap-4">
        <div>
          <h1 className="text-3xl">{exercise.title || 'Untitled'}</h1>
          <p className="mt-1 text-ink-soft">on {model}</p>
        </div>
        <div className="flex flex-wrap items-center gap-4 print:hidden">
          <label className="flex items-center gap-2">
            <input type="checkbox" className="h-4 w-4 accent-ink" checked={teaching} onChange={(e) => setTeaching(e.target.checked)} />
            With hints and what is judged
          </label>
          <PrintButton className="button" />
        </div>
      </div>
      {words.brief && <Html html={words.brief} className="mt-3 max-w-prose" />}
      <ol className="mt-5 space-y-5">
        <li className="flex break-inside-avoid gap-5 border-rule border-t pt-4 max-sm:flex-col">
          <FramedPicture source={pictures.start} words={SHOWN.start} className={PLACE} waiting={WAITING} />
        </li>
        {steps.map((step, i) => {
          const picture = pictures.steps[i];
          const said = words.steps[exercise.steps.indexOf(step)];
          return (
            <li key={step.id} className="flex break-inside-avoid gap-5 border-rule border-t pt-4 max-sm:flex-col">
              <FramedPicture source={picture?.source ?? null} words={SHOWN[picture?.shows ?? 'start']} className={PLACE} waiting={WAITING}>
                {picture?.source && <MarksOver goal={step.goal} view={picture.view} />}
              </FramedPicture>
              <div className="min-w-0 flex-1">
                <p className="text-ink-soft text-sm">
                  Step {i + 1} · {kindOf(step.goal).label} · {skillLabel(step.skill)}
                </p>
                <Html html={said?.brief ?? ''} className="font-semibold text-lg" />
                {teaching && (
                  <>
                    <table className="mt-2 text-left text-sm">
                      <thead className="sr-only">
                        <tr>
                          <th>Judged by</th>
                          <th>Marks</th>
                          <th>Weight</th>
                        </tr>
                      </thead>
                      <tbody>
                        {step.criteria
                          .filter(({ weight }) => weight > 0)
                          .map((criterion) => (
                            <tr key={criterion.id}>
                              <td className="pr-4">{CRITERIA[criterion.id].label}</td>
                              <td className="pr-4 text-ink-soft">{limitsWords(criterion)}</td>
                              <td className="text-ink-soft">{criterion.must ? 'must be met' : `weight ${criterion.weight}`}</td>
                            </tr>
                          ))}
                      </tbody>
                    </table>
                    {(said?.hints.length ?? 0) > 0 && (
                      <ol className="mt-2 list-decimal pl-5 text-sm">
                        {said?.hints.map((hint, n) => (
                          <li key={step.hints[n]}>
                            <Html html={hint} />
                          </li>
                        ))}
                      </ol>
                    )}
                  </>
                )}
              </div>
            </li>
          );
        })}
      </ol>
    </article>
  );
}
