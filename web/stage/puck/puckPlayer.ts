/** A report of the simulated device and when it is due, seconds from the begin. */
export interface TimedReport {
  readonly t: number;
  readonly id: number;
  readonly data: Uint8Array;
}

export interface PuckPlayer {
  /** Ends what is playing; the cap springs back. */
  stop(): void;
}

/** Sends reports when they are due, each with its own moment, so that a slow page plays the same motion. `onEnd`: all was sent, or it was stopped. */
export function playReports(
  reports: readonly TimedReport[],
  send: (id: number, data: Uint8Array, at: number) => void,
  { onTime, onEnd }: { onTime: (seconds: number) => void; onEnd: () => void },
): PuckPlayer {
  const begin = performance.now();
  let next = 0;
  let frame = requestAnimationFrame(function tick() {
    const seconds = (performance.now() - begin) / 1000;
    for (let report = reports[next]; report && report.t <= seconds; report = reports[++next]) send(report.id, report.data, begin + report.t * 1000);
    if (next >= reports.length) {
      onEnd();
      return;
    }
    onTime(seconds);
    frame = requestAnimationFrame(tick);
  });
  return {
    stop() {
      cancelAnimationFrame(frame);
      onEnd();
    },
  };
}
