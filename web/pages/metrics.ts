import { timingSafeEqual } from 'node:crypto';
import { registry } from '@web/http/metrics';
import type { APIRoute } from 'astro';

const LOOPBACK = /^(?:::ffff:)?127\.|^::1$/;

function knows(header: string | null): boolean {
  const token = process.env.METRICS_TOKEN;
  if (!token || !header) return false;
  const [given, wanted] = [Buffer.from(header), Buffer.from(`Bearer ${token}`)];
  return given.length === wanted.length && timingSafeEqual(given, wanted);
}

/** Figures for Prometheus: for this computer itself, or for whoever has the token. What came through a proxy is not this computer. */
export const GET: APIRoute = async ({ request, clientAddress }) => {
  const here = LOOPBACK.test(clientAddress) && !request.headers.has('x-dialhome-proxied');
  if (!here && !knows(request.headers.get('authorization'))) return new Response('This is for this computer, or with a token.\n', { status: 403 });
  return new Response(await registry.metrics(), { headers: { 'Content-Type': registry.contentType, 'Cache-Control': 'no-store' } });
};
