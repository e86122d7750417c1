import type { APIRoute } from 'astro';

const METHODS = ['GET', 'HEAD', 'POST', 'PUT', 'PATCH', 'DELETE'] as const;
const endpoints = import.meta.glob<Record<string, APIRoute>>(['../pages/api/**/*.ts', '../pages/healthz.ts', '../pages/metrics.ts']);

const routes = Object.entries(endpoints).map(([file, load]) => ({
  pattern: new RegExp(
    `^${file
      .replace(/^\.\.\/pages/, '')
      .replace(/\.ts$/, '')
      .replace(/\/index$/, '')
      .replace(/[.]/g, '\\.')
      .replace(/\[\w+\]/g, '[^/]+')}/?$`,
  ),
  load,
}));

/** Methods that an endpoint answers; null where no endpoint has this path. */
export async function methodsOf(path: string): Promise<string[] | null> {
  const route = routes.find(({ pattern }) => pattern.test(path));
  if (!route) return null;
  const module = await route.load();
  return METHODS.filter((method) => method in module || (method === 'HEAD' && 'GET' in module));
}
