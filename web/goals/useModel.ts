import { openModel } from '@web/stage/openModel';
import type { Prepared } from '@web/stage/prepared';
import { wordsOf } from '@web/ui/api';
import { useEffect, useState } from 'react';

const opened = new Map<string, Promise<Prepared>>();

function modelOnce(hash: string): Promise<Prepared> {
  let found = opened.get(hash);
  if (!found) opened.set(hash, (found = openModel(hash)));
  return found;
}

/** The model of a page that draws it several times: opened once. `error`: why it cannot be, in words. */
export function useModel(hash: string): { readonly prepared: Prepared | null; readonly error: string | null } {
  const [prepared, setPrepared] = useState<Prepared | null>(null);
  const [error, setError] = useState<string | null>(null);
  useEffect(() => {
    let wanted = true;
    modelOnce(hash).then(
      (found) => wanted && setPrepared(found),
      (problem) => wanted && setError(wordsOf(problem)),
    );
    return () => {
      wanted = false;
    };
  }, [hash]);
  return { prepared, error };
}
