/** A refusal by the server: a sentence for people and, where it concerns an input, its name. */
export class Refused extends Error {
  constructor(
    message: string,
    readonly status: number,
    readonly code: string,
    readonly field?: string,
  ) {
    super(message);
  }
}

interface ErrorBody {
  error?: { code?: string; message?: string; field?: string };
}

async function answered<T>(work: Promise<Response>): Promise<T> {
  let response: Response;
  try {
    response = await work;
  } catch {
    throw new Refused('The server cannot be reached. What you did is still here: try again when the network is back.', 0, 'offline');
  }
  const body: unknown = await response.json().catch(() => ({}));
  if (response.ok) return body as T;
  const { error } = body as ErrorBody;
  throw new Refused(error?.message ?? 'The server did not answer as expected. Try again.', response.status, error?.code ?? 'unknown', error?.field);
}

/** Sends JSON and gives the answer; a refusal is thrown with the server's own words. */
export const send = <T>(path: string, body: unknown, method: 'POST' | 'PUT' | 'PATCH' | 'DELETE' = 'POST'): Promise<T> =>
  answered<T>(fetch(path, { method, headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) }));

/** Asks for JSON. */
export const ask = <T>(path: string): Promise<T> => answered<T>(fetch(path));

export const sendForm = <T>(path: string, form: FormData): Promise<T> => answered<T>(fetch(path, { method: 'POST', body: form }));

export const wordsOf = (error: unknown): string => (error instanceof Error ? error.message : 'Something went wrong. Try again.');
