import type { AnswerOf } from '@web/http/answers';
import { call, wordsOf } from '@web/ui/api';
import { useCallback, useEffect, useState } from 'react';
import { toast } from 'sonner';

export type Comment = AnswerOf<'comments'>['comments'][number];

/** Comments that stand by themselves, in the order of their moments: the first is number 1. */
export const threadsOf = (comments: readonly Comment[]): Comment[] => comments.filter(({ answersId }) => answersId === null).sort((a, b) => a.t - b.t);

export const answersTo = (comments: readonly Comment[], id: string): Comment[] => comments.filter(({ answersId }) => answersId === id);

/** Looks for what others say so often, ms: nobody loads the page again. */
const EVERY = 5000;

export interface Comments {
  readonly list: readonly Comment[];
  /** Does something about them and looks again; false, and said, where it was refused. */
  readonly doing: (work: () => Promise<unknown>) => Promise<boolean>;
}

/** What is said about an attempt, kept up to date while the page is looked at; what is shown is read. */
export function useComments(attemptId: string, first: readonly Comment[]): Comments {
  const [list, setList] = useState(first);
  const look = useCallback(async (): Promise<void> => {
    const { comments } = await call('comments', { params: { id: attemptId } });
    setList((before) => (JSON.stringify(before) === JSON.stringify(comments) ? before : comments));
  }, [attemptId]);
  useEffect(() => {
    const timer = window.setInterval(() => {
      // The server may be away for a while: then it is asked again.
      if (document.visibilityState === 'visible') void look().catch(() => {});
    }, EVERY);
    return () => window.clearInterval(timer);
  }, [look]);
  // What was changed is unread again.
  const others = list.flatMap(({ mine, id, words }) => (mine ? [] : [`${id} ${words}`])).join();
  useEffect(() => {
    if (others) void call('commentsRead', { params: { id: attemptId }, body: {} }).catch(() => {});
  }, [attemptId, others]);
  const doing = useCallback(
    async (work: () => Promise<unknown>): Promise<boolean> => {
      try {
        await work();
        await look();
        return true;
      } catch (error) {
        toast.error(wordsOf(error));
        return false;
      }
    },
    [look],
  );
  return { list, doing };
}
