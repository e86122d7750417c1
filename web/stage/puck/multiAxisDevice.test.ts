import { PUCK_DESCRIPTOR, puckReports, SIX_AXIS_PUCK } from '@core/input';
import { contextFor } from '@core/model';
import { simulatePuck } from '@core/simulation';
import { crate, start } from '@core/tests/practice';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { createRecorder } from '../recorder';
import { createReportReader, describeReports } from './multiAxisDevice';
import { createPuckFeed, puckToSession } from './puckFeed';
import { playReports } from './puckPlayer';

beforeEach(() => vi.useFakeTimers());
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

const reader = () => {
  const heard = { axes: [] as (readonly number[])[], buttons: [] as number[], ignored: 0 };
  const made = createReportReader(PUCK_DESCRIPTOR, {
    onAxes: (a) => heard.axes.push(a),
    onButton: (b) => heard.buttons.push(b),
    onIgnored: (n) => {
      heard.ignored = n;
    },
  });
  return { heard, made };
};

it('what a device declares becomes bit fields: ranges, paddings and several collections', () => {
  const described = describeReports([
    {
      usagePage: 1,
      usage: 8,
      inputReports: [
        { reportId: 1, items: [{ usages: [0x10030, 0x10031, 0x10032], reportSize: 16, reportCount: 3, logicalMinimum: -350, logicalMaximum: 350 }] },
      ],
      children: [
        {
          inputReports: [
            {
              reportId: 3,
              items: [
                { reportSize: 4, reportCount: 1 },
                { isRange: true, usageMinimum: 0x90001, usageMaximum: 0x90004, reportSize: 1, reportCount: 4, logicalMinimum: 0, logicalMaximum: 1 },
              ],
            },
          ],
        },
      ],
    },
  ]);
  expect(described.reports).toEqual([
    { id: 1, fields: [0, 1, 2].map((i) => ({ usagePage: 1, usage: 0x30 + i, bitOffset: i * 16, bits: 16, min: -350, max: 350 })) },
    { id: 3, fields: [0, 1, 2, 3].map((i) => ({ usagePage: 9, usage: i + 1, bitOffset: 4 + i, bits: 1, min: 0, max: 1 })) },
  ]);
});

it('reports split over translation and rotation make one state; a button is told once a press; what cannot be read is counted', () => {
  const { heard, made } = reader();
  for (const { id, data } of puckReports([0.5, 0, 0, 0, 0, -1], [2])) made.report(id, data);
  expect(heard.axes.at(-1)).toEqual([expect.closeTo(0.5, 2), 0, 0, 0, 0, -1]);
  for (const { id, data } of puckReports([0.5, 0, 0, 0, 0, -1], [2])) made.report(id, data);
  expect(heard.buttons).toEqual([2]);
  made.report(1, new Uint8Array([1]));
  made.report(77, new Uint8Array(8));
  expect(heard.ignored).toBe(2);
});

it('a device that falls silent in mid-motion, or is unplugged, stops the motion', () => {
  const { heard, made } = reader();
  for (const { id, data } of puckReports([0, 1, 0, 0, 0, 0], [])) made.report(id, data);
  vi.advanceTimersByTime(500);
  expect(heard.axes.at(-1)).toEqual([0, 0, 0, 0, 0, 0]);
  for (const { id, data } of puckReports([0, 1, 0, 0, 0, 0], [])) made.report(id, data);
  made.stop();
  expect(heard.axes.at(-1)).toEqual([0, 0, 0, 0, 0, 0]);
});

/** Pictures that are drawn when the test says so. */
function pictures(): (ms: number) => void {
  let frames: ((now: number) => void)[] = [];
  vi.stubGlobal('requestAnimationFrame', (f: (now: number) => void) => frames.push(f));
  vi.stubGlobal('cancelAnimationFrame', () => {
    frames = [];
  });
  return (ms) => {
    vi.advanceTimersByTime(ms);
    const due = frames;
    frames = [];
    for (const f of due) f(performance.now());
  };
}

it('strokes last from picture to picture, and from rest to rest are one gesture of the session', () => {
  const draw = pictures();
  const session = createRecorder({ start, context: contextFor(crate, start), allowed: ['orbit', 'panZoom', 'recover'] });
  const listener = puckToSession(session, SIX_AXIS_PUCK);
  const feed = createPuckFeed(() => listener);
  feed.axes([0, 0, 0, 0, 0, 0.8]);
  draw(20);
  draw(20);
  feed.axes([0, 0, 0, 0, 0, 0]);
  draw(20);
  feed.axes([0.8, 0, 0, 0, 0, 0]);
  draw(20);
  feed.button(1);
  expect(session.moves.map((m) => [m.command.kind, m.gesture?.id])).toEqual([
    ['orbit', 1],
    ['orbit', 1],
    // What was left of the movement when the cap came to rest.
    ['orbit', 1],
    ['pan', 2],
    ['fit', 3],
  ]);
});

it('what pictures are told adds up to what was reported, at whatever rate they are drawn', () => {
  const script = [
    { axes: [0, 0.5, 0, 0, 0, 1], seconds: 0.6 },
    { axes: [-1, 0, 0, 0, 0, 0], seconds: 0.4 },
  ] as const;
  const reports = simulatePuck(script, 125, 3);
  const told = (picture: number): number[] => {
    const draw = pictures();
    const sum = [0, 0, 0, 0, 0, 0];
    const feed = createPuckFeed(() => ({
      axes: (axes, dt) =>
        axes.forEach((a, i) => {
          sum[i] = (sum[i] as number) + a * dt;
        }),
      button: () => {},
      rest: () => {},
    }));
    const device = createReportReader(PUCK_DESCRIPTOR, { onAxes: feed.axes, onButton: feed.button, onIgnored: () => {} });
    let ended = false;
    playReports(reports, device.report, {
      onTime: () => {},
      onEnd: () => {
        ended = true;
      },
    });
    for (let t = 0; t < 1500; t += picture) draw(picture);
    expect(ended).toBe(true);
    return sum;
  };
  const fast = told(7);
  expect(fast[5]).toBeGreaterThan(0.4);
  expect(fast[0]).toBeLessThan(-0.25);
  for (const [i, total] of told(33).entries()) expect(total).toBeCloseTo(fast[i] as number, 2);
});

it('a script that is stopped brings the cap to rest no later than its silence', () => {
  const draw = pictures();
  const heard: (readonly number[])[] = [];
  const device = createReportReader(PUCK_DESCRIPTOR, { onAxes: (axes) => heard.push(axes), onButton: () => {}, onIgnored: () => {} });
  const player = playReports(simulatePuck([{ axes: [1, 0, 0, 0, 0, 0], seconds: 5 }], 125, 1), device.report, { onTime: () => {}, onEnd: device.stop });
  for (let i = 0; i < 60; i++) draw(20);
  expect(heard.at(-1)?.[0]).toBeGreaterThan(0.9);
  player.stop();
  const count = heard.length;
  for (let i = 0; i < 60; i++) draw(20);
  expect(heard.at(-1)).toEqual([0, 0, 0, 0, 0, 0]);
  expect(heard).toHaveLength(count);
});

it('a script gives the same commands at the same moments, however late pictures come and however many are dropped', () => {
  const reports = simulatePuck(
    [
      { axes: [0, 0, 0, 0, 0.4, 1], seconds: 0.7 },
      { axes: [0, -0.6, 0, 0, 0, 0], seconds: 0.5 },
      { axes: [0, 0, 0, 0, 0, 0], seconds: 0.2 },
      { axes: [0, 0, 0, 0, 0, -0.5], seconds: 0.4 },
    ],
    125,
    7,
  );
  const made = (pictureAfter: (n: number) => number) => {
    const draw = pictures();
    const session = createRecorder({ start, context: contextFor(crate, start), allowed: ['orbit', 'panZoom'] });
    const listener = puckToSession(session, SIX_AXIS_PUCK);
    const feed = createPuckFeed(() => listener);
    const device = createReportReader(PUCK_DESCRIPTOR, { onAxes: feed.axes, onButton: feed.button, onIgnored: () => {} }, { scripted: true });
    const begin = performance.now();
    let sent = begin;
    feed.follow(() => sent);
    playReports(reports, device.report, {
      onTime: () => {},
      onSent: (at) => {
        sent = at;
      },
      onEnd: device.stop,
    });
    for (let n = 0; performance.now() - begin < 6000; n++) draw(pictureAfter(n));
    const opened = session.moves[0]?.t ?? 0;
    return session.moves.map(({ t, command, gesture }) => ({ t: Math.round((t - opened) * 1e3), command, gesture }));
  };
  const smooth = made(() => 16);
  expect(smooth.length).toBeGreaterThan(60);
  expect(new Set(smooth.map((m) => m.gesture?.id)).size).toBeGreaterThanOrEqual(2);
  // Late, very late, and with pictures that never came.
  expect(made(() => 33)).toEqual(smooth);
  expect(made((n) => (n % 7 === 3 ? 900 : 16))).toEqual(smooth);
  expect(made((n) => 5 + ((n * 37) % 240))).toEqual(smooth);
});
