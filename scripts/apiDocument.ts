import { goalSchema, keptSceneSchema, planeSchema, sceneSchema, stepSchema, viewSchema } from '@core';
import { bindingSchema } from '@core/input/schemeSchema';
import { Command } from '@core/navigation/command';
import { z } from 'zod';
import type * as mini from 'zod/mini';
import { ANSWERS, type EndpointName, errorSchema } from '../web/http/answers';
import { ALWAYS, CONTRACT, type ErrorCase } from '../web/http/contract';

type Json = Readonly<Record<string, unknown>>;

const WHO = { anyone: 'Anybody.', person: 'Whoever is signed in; services decide what each may see and change.', staff: 'Instructors and leads.' } as const;

/** What stands between the words of an endpoint's name. */
const titled = (name: string): string => name.replace(/([A-Z])/g, (c) => ` ${c.toLowerCase()}`).replace(/^./, (c) => c.toUpperCase());

/** An answer as JSON Schema. */
function jsonSchema(schema: z.ZodType | mini.ZodMiniType): Json {
  const { $schema: _, ...made } = z.toJSONSchema(schema as z.ZodType, { io: 'output', unrepresentable: 'any' });
  return made;
}

const componentOf = (id: string): string => `#/components/schemas/${id}`;
const requestId = (name: EndpointName): string => `${name.replace(/^./, (c) => c.toUpperCase())}Request`;

/** What is sent, and what that is made of, each once; what a schema checks beyond this is said in the message of its refusal. */
function requestSchemas(): Json {
  const registry = z.registry<{ id: string }>();
  const parts = {
    Command,
    Goal: goalSchema,
    KeptScene: keptSceneSchema,
    Plane: planeSchema,
    Scene: sceneSchema,
    SchemeBinding: bindingSchema,
    Step: stepSchema,
    View: viewSchema,
  };
  for (const [id, schema] of Object.entries(parts)) registry.add(schema, { id });
  for (const name of Object.keys(ANSWERS) as EndpointName[]) {
    const { request } = CONTRACT[name];
    if (request !== null && request !== 'form' && !registry.has(request as z.ZodType)) registry.add(request as z.ZodType, { id: requestId(name) });
  }
  const { schemas } = z.toJSONSchema(registry, { io: 'input', unrepresentable: 'any', uri: componentOf });
  return Object.fromEntries(Object.entries(schemas).map(([id, { $schema: _, $id: __, ...made }]) => [id, made]));
}

/** Errors of one status, with their codes. */
function errorsOf(errors: readonly ErrorCase[]): Json {
  const statuses = [...new Set(errors.map(([status]) => status))].sort((a, b) => a - b);
  return Object.fromEntries(
    statuses.map((status) => {
      const codes = [...new Set(errors.filter(([s]) => s === status).map(([, code]) => code))];
      return [String(status), { description: codes.join(', '), content: { 'application/json': { schema: { $ref: '#/components/schemas/Error' } } } }];
    }),
  );
}

function operation(name: EndpointName): Json {
  const { path, answer, who, request, errors = [] } = CONTRACT[name] as (typeof CONTRACT)[EndpointName] & { errors?: readonly ErrorCase[] };
  const parameters = [...path.matchAll(/:(\w+)/g)].map((m) => ({ name: m[1], in: 'path', required: true, schema: { type: 'string' } }));
  const body =
    request === null
      ? {}
      : {
          requestBody: {
            required: true,
            content:
              request === 'form'
                ? { 'multipart/form-data': { schema: { type: 'object' } } }
                : { 'application/json': { schema: { $ref: componentOf(requestId(name)) } } },
          },
        };
  const success = answer ? { content: { 'application/json': { schema: jsonSchema(answer) } } } : {};
  return {
    operationId: name,
    summary: titled(name),
    description: WHO[who],
    ...(parameters.length > 0 ? { parameters } : {}),
    ...body,
    responses: { 200: { description: 'Done.', ...success }, ...errorsOf([...ALWAYS, ...errors]) },
  };
}

/** The contract as an OpenAPI 3.1 document. */
export function apiDocument(): Json {
  const paths: Record<string, Record<string, Json>> = {};
  for (const name of Object.keys(ANSWERS) as EndpointName[]) {
    const { method, path } = ANSWERS[name];
    const place = path.replace(/:(\w+)/g, '{$1}');
    paths[place] = { ...paths[place], [method.toLowerCase()]: operation(name) };
  }
  return {
    openapi: '3.1.0',
    info: {
      title: 'Dial Home',
      version: '1',
      description:
        'Made from web/http/contract.ts by `npx tsx scripts/apiFile.ts`; a test compares. Every refusal has a code, and a message that says what to do.',
    },
    paths,
    components: { schemas: { Error: jsonSchema(errorSchema), ...requestSchemas() } },
  };
}
