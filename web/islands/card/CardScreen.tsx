import { listed } from '@core/advice';
import { CRITERIA } from '@core/criteria';
import type { TraineeExercise } from '@core/exercise';
import { type SentScheme, schemesReceived, wantedWords } from '@core/input';
import { MUST_CAP, type ScoreCard, type StepDetail, type StepResult } from '@core/scoring';
import type { View } from '@core/view';
import { cardDetailOf } from '@web/goals/cardDetails';
import type { Comment } from '@web/islands/review/useComments';
import { type VerdictShown, VerdictWords } from '@web/islands/review/Verdict';
import { Flashes } from '@web/ui/Flashes';
import { useKeyLabels } from '@web/ui/keyLabels';
import { plainOf } from '@web/ui/markdown';
import { shownPoints } from '@web/ui/points';
import { lazy, type ReactNode, Suspense, useMemo } from 'react';
import { CriteriaList } from './CriteriaList';

interface Props {
  readonly card: ScoreCard;
  readonly exercise: TraineeExercise & { readonly id: string };
  /** The scheme that the attempt was made with: its gestures are named, by the keys of whoever reads. */
  readonly scheme: SentScheme | null;
  readonly details: readonly StepDetail[];
  readonly meshHash: string;
  readonly pictures: readonly (string | null)[];
  /** Whose card it is, when it is another's. */
  readonly learner: { readonly id: string; readonly name: string } | null;
  readonly before: { readonly id: string; readonly score: number } | null;
  readonly next: { readonly id: string; readonly title: string } | null;
  /** Handed in well after it was finished. */
  readonly late?: boolean;
  /** False where it is kept but does not count for progress. */
  readonly counts?: boolean;
  /** What can be looked at again; left out for a try that is not kept. */
  readonly review?: { readonly attemptId: string; readonly home: View; readonly comments: readonly Comment[]; readonly verdict: VerdictShown };
  /** For those who teach: what of the attempt no hand does. */
  readonly unlikely?: readonly string[];
  /** Buttons instead of again and next, for a try that is not kept. */
  readonly actions?: ReactNode;
}

/** Loaded where something was said. */
const CardComments = lazy(async () => ({ default: (await import('@web/islands/review/CardComments')).CardComments }));

const HEADLINES = ['Not there yet', 'On the way', 'Nearly there', 'Dead on'] as const;

/** Criteria that must be met, were not, and hold the score down. */
function heldBy({ score, steps }: ScoreCard): string[] {
  if (score !== MUST_CAP) return [];
  const unmet = steps.flatMap(({ criteria }) => criteria.filter((r) => r.must && r.points === 0 && !r.leftOut));
  return [...new Set(unmet.map(({ id }) => CRITERIA[id].label))];
}

function StepPart({
  result,
  index,
  many,
  children,
}: {
  readonly result: StepResult;
  readonly index: number;
  readonly many: boolean;
  readonly children: ReactNode;
}) {
  return (
    <section className="card p-5" aria-label={many ? `Step ${index + 1}` : 'Result'}>
      {many && (
        <div className="mb-3 flex items-baseline justify-between gap-4">
          <h2 className="text-xl">
            <span className="mr-2 font-mono text-ink-soft">{index + 1}</span>
            {plainOf(result.brief)}
          </h2>
          <p className="font-mono text-lg">{shownPoints(result.score)}</p>
        </div>
      )}
      {children}
    </section>
  );
}

/** The score card: flashes, what was earned and lost, the difference in pictures, and what to change. */
export function CardScreen({
  card,
  exercise,
  scheme: sent,
  details,
  meshHash,
  pictures,
  learner,
  before,
  next,
  late = false,
  counts = true,
  unlikely = [],
  review,
  actions,
}: Props) {
  const labels = useKeyLabels();
  const scheme = useMemo(() => {
    const found = sent ? schemesReceived([sent])[0] : undefined;
    return found ? (labels ? { ...found, labels } : found) : null;
  }, [sent, labels]);
  const held = heldBy(card);
  const change = before ? shownPoints(card.score) - shownPoints(before.score) : null;
  return (
    <div className="space-y-6">
      <header className="flex flex-wrap items-center gap-x-10 gap-y-4">
        <div className="min-w-0 flex-1 max-lg:basis-full">
          <p className="text-ink-soft">
            {learner ? (
              <a className="underline" href={`/learners/${learner.id}`}>
                {learner.name}
              </a>
            ) : (
              'Score card'
            )}{' '}
            · {exercise.title}
          </p>
          <h1 className="text-4xl">{learner ? exercise.title : held.length > 0 ? `Held at ${MUST_CAP} points` : HEADLINES[card.flashes]}</h1>
          {held.length > 0 && (
            <p className="font-semibold text-signal" data-testid="held">
              {listed(held)} must be met: until then an attempt earns at most {MUST_CAP} points.
            </p>
          )}
          <p className="mt-1 text-ink-soft">
            {Math.round(card.seconds)} s on the clock, {card.gestures} {card.gestures === 1 ? 'gesture' : 'gestures'}
            {late && ' · handed in later'}
            {!counts && !review?.verdict.leftOut && ' · does not count: the exercise was corrected'}
            {change !== null && before && (
              <>
                {' '}
                ·{' '}
                <a className="underline" href={`/attempts/${before.id}`}>
                  {change === 0
                    ? 'as many points as before'
                    : `${Math.abs(change)} ${Math.abs(change) === 1 ? 'point' : 'points'} ${change > 0 ? 'more' : 'fewer'} than before`}
                </a>
              </>
            )}
          </p>
        </div>
        <Flashes count={card.flashes} size="large" />
        <p className="text-right">
          <span className="block font-display font-extrabold text-6xl leading-none" data-testid="score">
            {shownPoints(card.score)}
          </span>
          <span className="text-ink-soft">of 100 points</span>
        </p>
        <div className="flex flex-wrap gap-3">
          {review && (
            <a className="button" href={`/attempts/${review.attemptId}/review`}>
              See how it went
            </a>
          )}
          {actions ??
            (learner ? null : (
              <>
                <a className="button" href={`/practise/${exercise.id}`}>
                  Again
                </a>
                <a className="button-main" href={next ? `/practise/${next.id}` : '/today'}>
                  {next ? `Next: ${next.title}` : 'Back to today'}
                </a>
              </>
            ))}
        </div>
      </header>
      {review && <VerdictWords verdict={review.verdict} />}
      {review && review.comments.length > 0 && (
        <Suspense>
          <CardComments exercise={exercise} meshHash={meshHash} {...review} />
        </Suspense>
      )}
      {unlikely.length > 0 && (
        <section className="card border-signal p-4 text-sm" data-testid="unlikely">
          <h2 className="font-bold">This does not look as if a hand had made it</h2>
          <ul className="mt-1 list-disc pl-5">
            {unlikely.map((words) => (
              <li key={words}>{words}</li>
            ))}
          </ul>
          <p className="mt-1 text-ink-soft">Nothing was taken off for it. Only those who teach see this.</p>
        </section>
      )}
      {card.slips && (
        <p className="mb-4 text-sm" data-testid="slips">
          <strong>Old habits:</strong>{' '}
          {card.slips.map((slip) => `${slip.gesture} for ${wantedWords(slip.wanted)}, ${slip.times} ${slip.times === 1 ? 'time' : 'times'}`).join('; ')}. They
          cost no points.
        </p>
      )}
      {card.steps.map((result, i) => {
        const Detail = cardDetailOf(result.goal);
        return (
          <StepPart key={result.id} result={result} index={i} many={card.steps.length > 1}>
            <Suspense fallback={<p className="mb-4 text-ink-soft text-sm">Drawing …</p>}>
              {result.scene && (
                <Detail exercise={exercise} step={i} scene={result.scene} detail={details[i]} meshHash={meshHash} published={pictures[i] ?? null} />
              )}
            </Suspense>
            <CriteriaList results={result.criteria} reached={result.scene !== null} scheme={scheme} />
          </StepPart>
        );
      })}
    </div>
  );
}
