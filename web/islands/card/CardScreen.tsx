import { criterionInfo } from '@core/exercise';
import type { CriterionResult, ScoreCard, StepDetail, StepResult } from '@core/scoring';
import { Bar } from '@web/ui/Bar';
import { Flashes } from '@web/ui/Flashes';
import { shownPoints } from '@web/ui/points';
import { shownValue } from '@web/ui/shownValue';
import type { ReactNode } from 'react';
import type { Practised } from '../practise/useAttempt';
import { CallsTable } from './CallsTable';
import { OrbitChart } from './OrbitChart';
import { SectionChart } from './SectionChart';
import { StepPictures } from './StepPictures';

interface Props {
  readonly card: ScoreCard;
  readonly exercise: Practised;
  readonly details: readonly StepDetail[];
  readonly meshHash: string;
  readonly pictures: readonly (string | null)[];
  /** Whose card it is, when it is another's. */
  readonly learner: { readonly id: string; readonly name: string } | null;
  readonly before: { readonly id: string; readonly score: number } | null;
  readonly next: { readonly id: string; readonly title: string } | null;
  /** Handed in well after it was finished. */
  readonly late?: boolean;
  /** For those who teach: what of the attempt no hand does. */
  readonly unlikely?: readonly string[];
  /** Buttons instead of again and next, for a try that is not kept. */
  readonly actions?: ReactNode;
}

const HEADLINES = ['Not there yet', 'You found it', 'Well found', 'Dead on'] as const;

/** Goals of which one last view tells the difference. */
const PICTURED: ReadonlySet<string> = new Set(['matchView', 'frameIt', 'cutToReveal']);

function Criteria({ results }: { readonly results: readonly CriterionResult[] }) {
  const weighed = results.filter((r) => r.weight > 0);
  const rest = results.filter((r) => r.weight === 0);
  return (
    <>
      <ol className="divide-y divide-rule">
        {weighed.map((r) => (
          <li key={r.id} className="grid grid-cols-[11rem_1fr_3.5rem] items-center gap-4 py-2.5">
            <Bar label={criterionInfo(r.id).label} shown={shownValue(r.id, r.value)} points={r.points} />
            <p className={r.points >= 1 ? 'text-ink-soft' : ''}>
              {r.advice}
              {r.must && r.points === 0 && <strong className="ml-1 text-signal">This one must be met.</strong>}
            </p>
            <p className="text-right font-mono text-sm tabular-nums">
              {Math.round(r.points * r.weight * 10) / 10}/{r.weight}
            </p>
          </li>
        ))}
      </ol>
      {rest.length > 0 && (
        <p className="mt-2 text-ink-soft text-sm">
          Not counted here:{' '}
          {rest.map((r, i) => (
            <span key={r.id}>
              {i > 0 && ', '}
              {criterionInfo(r.id).label.toLowerCase()} <span className="font-mono">{shownValue(r.id, r.value)}</span>
            </span>
          ))}
        </p>
      )}
    </>
  );
}

function Detail({ detail }: { readonly detail: StepDetail | undefined }) {
  if (detail?.kind === 'calls') return <CallsTable calls={detail.calls} />;
  if (detail?.kind === 'orbit') return <OrbitChart detail={detail} />;
  if (detail?.kind === 'section') return <SectionChart detail={detail} />;
  return null;
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
            {result.brief}
          </h2>
          <p className="font-mono text-lg">{shownPoints(result.score)}</p>
        </div>
      )}
      {children}
    </section>
  );
}

/** The score card: flashes, what was earned and lost, the difference in pictures, and what to change. */
export function CardScreen({ card, exercise, details, meshHash, pictures, learner, before, next, late = false, unlikely = [], actions }: Props) {
  const change = before ? shownPoints(card.score) - shownPoints(before.score) : null;
  return (
    <div className="space-y-6">
      <header className="flex flex-wrap items-center gap-x-10 gap-y-4">
        <div className="min-w-0 flex-1">
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
          <h1 className="text-4xl">{learner ? exercise.title : HEADLINES[card.flashes]}</h1>
          <p className="mt-1 text-ink-soft">
            {Math.round(card.seconds)} s on the clock, {card.gestures} {card.gestures === 1 ? 'gesture' : 'gestures'}
            {late && ' · handed in later'}
            {change !== null && before && (
              <>
                {' '}
                ·{' '}
                <a className="underline" href={`/attempts/${before.id}`}>
                  {change === 0 ? 'as many points as before' : change > 0 ? `${change} points more than before` : `${-change} points fewer than before`}
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
        <div className="flex gap-3">
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
          {card.slips.map((slip) => `${slip.gesture} for ${slip.wanted}, ${slip.times} ${slip.times === 1 ? 'time' : 'times'}`).join('; ')}. They cost no
          points.
        </p>
      )}
      {card.steps.map((result, i) => (
        <StepPart key={result.id} result={result} index={i} many={card.steps.length > 1}>
          {PICTURED.has(result.goal) && (
            <StepPictures exercise={exercise} step={i} scene={result.scene} detail={details[i]} meshHash={meshHash} published={pictures[i] ?? null} />
          )}
          <Detail detail={details[i]} />
          <Criteria results={result.criteria} />
        </StepPart>
      ))}
    </div>
  );
}
