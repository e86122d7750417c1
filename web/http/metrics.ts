import { Counter, collectDefaultMetrics, Gauge, Histogram, Registry } from 'prom-client';

/** What this process tells of itself, for Prometheus. */
export const registry = new Registry();
collectDefaultMetrics({ register: registry });

export const requestSeconds = new Histogram({
  name: 'dialhome_request_seconds',
  help: 'Time to answer a request, by method and kind of answer',
  labelNames: ['method', 'route', 'status'] as const,
  buckets: [0.005, 0.01, 0.025, 0.05, 0.1, 0.3, 1, 3, 10],
  registers: [registry],
});
export const requestErrors = new Counter({ name: 'dialhome_errors_total', help: 'Requests that failed for a reason of our own', registers: [registry] });

/** Jobs of the pool, read when they are asked for. */
export function watchPool(load: () => { readonly running: number; readonly waiting: number }): void {
  new Gauge({
    name: 'dialhome_pool_jobs',
    help: 'Jobs of the pool, running and waiting',
    labelNames: ['state'] as const,
    registers: [registry],
    collect() {
      const { running, waiting } = load();
      this.set({ state: 'running' }, running);
      this.set({ state: 'waiting' }, waiting);
    },
  });
}
