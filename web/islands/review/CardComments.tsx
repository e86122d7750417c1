import type { TraineeExercise } from '@core/exercise';
import { keptOf } from '@core/navigation';
import type { View } from '@core/view';
import { useHiddenStage } from '@web/goals/useHiddenStage';
import { useScenePictures } from '@web/goals/useScenePictures';
import { useScored } from '@web/stage/useScored';
import { useMemo } from 'react';
import { clockWords } from './clock';
import { answersTo, type Comment, threadsOf } from './useComments';
import { useReplayed } from './useReplayed';

interface Props {
  readonly attemptId: string;
  readonly exercise: TraineeExercise;
  readonly meshHash: string;
  readonly home: View;
  readonly comments: readonly Comment[];
}

/** What is said about an attempt, each with the picture of its moment; a press goes there. */
export function CardComments({ attemptId, exercise, meshHash, home, comments }: Props) {
  const { handle, shown, prepared } = useHiddenStage(meshHash);
  const model = useScored(prepared, home);
  const { replayed } = useReplayed(attemptId, exercise.steps, model);
  const threads = useMemo(() => threadsOf(comments), [comments]);
  const scenes = useMemo(() => (replayed ? threads.map(({ t }) => ({ scene: keptOf(replayed.player.at(t).scene) })) : null), [replayed, threads]);
  const pictures = useScenePictures(handle, scenes);
  return (
    <section className="card p-5" aria-labelledby="said">
      {shown}
      <h2 id="said" className="mb-3 text-xl">
        What your instructor says
      </h2>
      <ul className="space-y-4">
        {threads.map(({ id, author, words, t, understood }, i) => {
          const answers = answersTo(comments, id).length;
          return (
            <li key={id}>
              <a href={`/attempts/${attemptId}/review?t=${t.toFixed(2)}`} className="group flex gap-4 max-sm:flex-col">
                <span className="block aspect-[1.6] overflow-hidden rounded-lg border border-ink bg-stage sm:w-56 sm:shrink-0">
                  {pictures[i] && <img src={pictures[i] ?? ''} alt="The moment of the comment" className="h-full w-full" />}
                </span>
                <span className="min-w-0 max-w-prose">
                  <span className="block text-ink-soft text-sm">
                    {author}, at <span className="font-mono">{clockWords(replayed ? replayed.folding.toFolded(t) : t)}</span>
                    {answers > 0 && ` · ${answers} ${answers === 1 ? 'answer' : 'answers'}`}
                    {understood && ' · understood'}
                  </span>
                  <span className="line-clamp-6 block whitespace-pre-wrap break-words group-hover:underline">{words}</span>
                </span>
              </a>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
