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

interface Hearing {
  /** Seconds of the script, for who watches it. */
  readonly onTime: (seconds: number) => void;
  /** Up to which moment of the page's clock, ms, all reports have been sent. */
  readonly onSent?: (at: number) => void;
  /** All was sent, or it was stopped. */
  readonly onEnd: () => void;
}

/** Sends reports when they are due, each with its own moment: however slow the page is, the same motion is played. */
export function playReports(reports: readonly TimedReport[], send: (id: number, data: Uint8Array, at: number) => void, hearing: Hearing): PuckPlayer {
  const begin = performance.now();
  let next = 0;
  let frame = requestAnimationFrame(function tick() {
    const seconds = (performance.now() - begin) / 1000;
    for (let report = reports[next]; report && report.t <= seconds; report = reports[++next]) send(report.id, report.data, begin + report.t * 1000);
    hearing.onSent?.(begin + Math.min(seconds, reports[next] ? seconds : (reports.at(-1)?.t ?? 0)) * 1000);
    if (next >= reports.length) {
      hearing.onEnd();
      return;
    }
    hearing.onTime(seconds);
    frame = requestAnimationFrame(tick);
  });
  return {
    stop() {
      cancelAnimationFrame(frame);
      hearing.onEnd();
    },
  };
}
