import type { RequestContext } from '@server/service';
import type { APIContext } from 'astro';
import { endpoint } from './answer';
import type { AnswerOf, EndpointName, ParamsOf } from './answers';
import { MOST, readJson } from './body';
import { CONTRACT, type ParsedOf } from './contract';

/** What an endpoint's work is given: its request, parsed, and the parameters of its path. */
export interface Given<N extends EndpointName> {
  readonly body: ParsedOf<N>;
  readonly params: ParamsOf<(typeof CONTRACT)[N]['path']>;
  readonly context: APIContext;
}

type Work<N extends EndpointName> = (who: RequestContext, given: Given<N>) => Promise<AnswerOf<N> | Response>;

/** Endpoints whose bodies are parsed elsewhere: in the pool, or as a form. */
const READ_BY_THEMSELVES: ReadonlySet<EndpointName> = new Set(['handIn', 'tryOut', 'importModel', 'reviseModel']);

/** An endpoint by its contract: who may ask is looked at first, then the body is counted and parsed by its schema. */
export function serve<N extends EndpointName>(name: N, work: Work<N>): (context: APIContext) => Promise<Response> {
  const { who, request, most = 'json' } = CONTRACT[name] as { who: string; request: Parameters<typeof readJson>[1] | 'form' | null; most?: keyof typeof MOST };
  const reads = request !== null && request !== 'form' && !READ_BY_THEMSELVES.has(name);
  return endpoint(
    async (asked, context) => {
      const body = reads ? await readJson(context.request, request, MOST[most]) : undefined;
      return work(asked, { body: body as ParsedOf<N>, params: context.params as Given<N>['params'], context });
    },
    { staff: who === 'staff' },
  );
}
