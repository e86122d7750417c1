import type { Exercise } from '@core/exercise';
import { send, wordsOf } from '@web/ui/api';
import { useCallback, useEffect, useRef, useState } from 'react';

const REST_MS = 900;

export interface Draft {
  readonly draft: Exercise;
  readonly change: (change: (draft: Exercise) => Exercise) => void;
  readonly state: 'saved' | 'saving' | 'changed' | 'failed';
  readonly error: string | null;
  /** Saves what is not saved yet; throws when it cannot. */
  readonly save: () => Promise<void>;
}

/** A draft that saves itself a moment after each change; what cannot be saved stays on the page. */
export function useDraft(id: string, saved: Exercise, mine: boolean): Draft {
  const [draft, setDraft] = useState(saved);
  const [state, setState] = useState<Draft['state']>('saved');
  const [error, setError] = useState<string | null>(null);
  const latest = useRef(saved);
  const sent = useRef(saved);

  const save = useCallback(async (): Promise<void> => {
    if (!mine || sent.current === latest.current) return;
    const wanted = latest.current;
    setState('saving');
    try {
      await send(`/api/exercises/${id}`, wanted, 'PUT');
      sent.current = wanted;
      setError(null);
      setState(latest.current === wanted ? 'saved' : 'changed');
    } catch (problem) {
      setError(wordsOf(problem));
      setState('failed');
      throw problem;
    }
  }, [id, mine]);

  useEffect(() => {
    latest.current = draft;
    if (draft === sent.current) return;
    setState('changed');
    const timer = setTimeout(() => void save().catch(() => {}), REST_MS);
    return () => clearTimeout(timer);
  }, [draft, save]);

  useEffect(() => {
    const leave = (event: BeforeUnloadEvent): void => {
      if (sent.current !== latest.current) event.preventDefault();
    };
    window.addEventListener('beforeunload', leave);
    return () => window.removeEventListener('beforeunload', leave);
  }, []);

  return { draft, change: setDraft, state, error, save };
}
