import type { RequestContext } from '@server/service';
import type { APIContext } from 'astro';
import { endpoint } from './answer';
import type { AnswerOf, EndpointName, ParamsOf } from './answers';
import { MOST, readJson } from './body';
import { CONTRACT, type ParsedOf, type Terms } from './contract';

/** What an endpoint's work is given: its request, parsed, and the parameters of its path. */
export interface Given<N extends EndpointName> {
  readonly body: ParsedOf<N>;
  readonly params: ParamsOf<(typeof CONTRACT)[N]['path']>;
  readonly context: APIContext;
}

type Work<N extends EndpointName> = (who: RequestContext, given: Given<N>) => Promise<AnswerOf<N> | Response>;

/** An endpoint by its contract: who may ask is looked at first, then the body is counted and parsed by its schema. */
export function serve<N extends EndpointName>(name: N, work: Work<N>): (context: APIContext) => Promise<Response> {
  const { who, request, most = 'json', unread } = CONTRACT[name] as Terms;
  return endpoint(
    async (asked, context) => {
      const body = request === null || request === 'form' || unread ? undefined : await readJson(context.request, request, MOST[most]);
      return work(asked, { body: body as ParsedOf<N>, params: context.params as Given<N>['params'], context });
    },
    { staff: who === 'staff' },
  );
}
