import type { Step } from '@core/exercise';
import { Html } from '@web/ui/Html';
import type { ExerciseWords } from '@web/ui/markdown';

interface Props {
  readonly steps: readonly Pick<Step, 'id'>[];
  readonly words: ExerciseWords;
  readonly at: number;
}

/** The steps with a thread through them: done, present and to come. */
export function StepList({ steps, words, at }: Props) {
  return (
    <ol aria-label="Steps" className="mt-3 stacked:mt-1 low:mt-1">
      {steps.map((step, i) => (
        <li
          key={step.id}
          className={`relative pb-3 pl-10 stacked:pb-0 low:pb-0 low:pl-9 low:text-sm ${i === at ? '' : 'low:hidden stacked:max-md:hidden'}`}
          aria-current={i === at ? 'step' : undefined}
        >
          {i < steps.length - 1 && <span className="absolute top-7 bottom-0 left-[13px] w-0.5 bg-rule" aria-hidden="true" />}
          <span
            className={`absolute left-0 grid h-7 w-7 place-items-center rounded-full font-mono text-sm ${i < at ? 'bg-sea text-paper' : i === at ? 'bg-ink text-paper' : 'border-2 border-rule text-ink-soft'}`}
          >
            {i < at ? '✓' : i + 1}
          </span>
          <Html html={words.steps[i]?.brief ?? ''} className={i === at ? 'font-bold' : 'text-ink-soft'} />
        </li>
      ))}
    </ol>
  );
}
