import { Bench } from 'tinybench';

/** Times a piece of work beside its reference and prints a line. `scale`: how many times each run does it. */
export async function pair(title: string, aim: string, mine: () => void, reference: { name: string; run: () => void }, scale = 1): Promise<void> {
  const bench = new Bench({ time: 1200, warmupTime: 300 });
  bench.add('mine', mine).add('reference', reference.run);
  await bench.run();
  const ms = bench.tasks.map((task) => (task.result as { latency: { p50: number } }).latency.p50 / scale);
  const [a = 0, b = 0] = ms;
  const shown = (x: number): string => (x < 0.01 ? `${(x * 1e6).toFixed(0)} ns` : x < 1 ? `${(x * 1000).toFixed(1)} µs` : `${x.toFixed(2)} ms`);
  process.stdout.write(
    `${title.padEnd(44)} ${shown(a).padStart(10)}   ${`${reference.name}: ${shown(b)}`.padEnd(52)} ratio ${(a / b).toFixed(2).padStart(6)}   aim ${aim}\n`,
  );
}
