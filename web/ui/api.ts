import { ANSWERS, type AnswerOf, type EndpointName, errorSchema, type Face, type ParamsOf, pathOf } from '@web/http/answers';
import type { RequestOf } from '@web/http/contract';

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

/** What a call brings: parameters of the path and a body, where there are any. */
type Bringing<N extends EndpointName> = (unknown extends ParamsOf<(typeof ANSWERS)[N]['path']>
  ? object
  : { readonly params: ParamsOf<(typeof ANSWERS)[N]['path']> }) &
  (RequestOf<N> extends undefined ? object : { readonly body: RequestOf<N> });

/** What brings a request to the server: as `fetch`, which it is unless something else is wanted. */
export type Carrier = (url: string, sent: RequestInit) => Promise<Response>;

/** Calls an endpoint by its contract and parses what it answers; a refusal is thrown with the server's own words. */
export async function call<N extends EndpointName>(name: N, bringing: Bringing<N>, carrier: Carrier = fetch): Promise<AnswerOf<N>> {
  const { method, path, answer } = ANSWERS[name] as Face;
  const { params = {}, body } = bringing as { params?: Record<string, string>; body?: unknown };
  const sent: RequestInit =
    body instanceof FormData
      ? { method, body }
      : method === 'GET'
        ? { method }
        : { method, headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body ?? {}) };
  let response: Response;
  try {
    response = await carrier(pathOf(path, params), sent);
  } catch {
    throw new Refused('The server cannot be reached. What you did is still here: try again when the network is back.', 0, 'offline');
  }
  const got: unknown = await response.json().catch(() => null);
  if (!response.ok) {
    const refused = errorSchema.safeParse(got);
    if (!refused.success) throw new Refused('The server did not answer as expected. Try again.', response.status, 'unknown');
    const { code, message, field } = refused.data.error;
    throw new Refused(message, response.status, code, field);
  }
  const parsed = answer?.safeParse(got);
  if (parsed && !parsed.success) throw new Refused('This page and the server are not of one version: load the page again.', response.status, 'other-version');
  return (parsed?.data ?? null) as AnswerOf<N>;
}

/** What is told of a call that failed. */
export interface Refusal {
  readonly words: string;
  /** The input at fault. */
  readonly field: string | undefined;
}

export const refusalOf = (problem: unknown): Refusal => ({ words: wordsOf(problem), field: problem instanceof Refused ? problem.field : undefined });

export const wordsOf = (error: unknown): string => (error instanceof Error ? error.message : 'Something went wrong. Try again.');
