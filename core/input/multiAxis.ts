import type { SixAxes } from './gesture';

/** One field of a HID input report: which control, where its bits lie, and its logical range. */
export interface ReportField {
  readonly usagePage: number;
  readonly usage: number;
  /** Bits from the start of the report's data. */
  readonly bitOffset: number;
  readonly bits: number;
  readonly min: number;
  readonly max: number;
}

/** The input reports of a device by report id (0: without ids). */
export interface ReportDescriptor {
  readonly reports: readonly { readonly id: number; readonly fields: readonly ReportField[] }[];
}

export const GENERIC_DESKTOP = 0x01;
export const BUTTONS = 0x09;
/** Usages X, Y, Z, Rx, Ry, Rz of a multi-axis controller (usage 0x08) on the generic desktop page, USB HID usage tables. */
export const AXIS_USAGES = [0x30, 0x31, 0x32, 0x33, 0x34, 0x35] as const;

/** What one report tells; axes it does not carry are null, each -1 … 1; buttons are numbered from 1. */
export interface MultiAxisReport {
  readonly axes: readonly (number | null)[];
  readonly buttons: readonly number[] | null;
}

function bitsAt(data: Uint8Array, offset: number, count: number): number {
  let value = 0;
  for (let i = 0; i < count; i++) {
    const byte = data[(offset + i) >> 3];
    if (byte === undefined) return Number.NaN;
    if (byte & (1 << ((offset + i) & 7))) value += 2 ** i;
  }
  return value;
}

/** Reads one input report of a standard multi-axis controller. A report that is too short tells nothing. */
export function readMultiAxisReport(descriptor: ReportDescriptor, report: { id: number; data: Uint8Array }): MultiAxisReport {
  const fields = descriptor.reports.find((entry) => entry.id === report.id)?.fields ?? [];
  const axes: (number | null)[] = [null, null, null, null, null, null];
  const pressed: number[] = [];
  let hasButtons = false;
  for (const field of fields) {
    const raw = bitsAt(report.data, field.bitOffset, field.bits);
    if (Number.isNaN(raw)) continue;
    if (field.usagePage === BUTTONS) {
      hasButtons = true;
      if (raw !== 0) pressed.push(field.usage);
      continue;
    }
    const axis = AXIS_USAGES.indexOf(field.usage as 0x30);
    if (field.usagePage !== GENERIC_DESKTOP || axis < 0) continue;
    const signed = field.min < 0 && raw >= 2 ** (field.bits - 1) ? raw - 2 ** field.bits : raw;
    if (signed < field.min || signed > field.max) continue;
    const middle = field.min < 0 ? 0 : (field.min + field.max) / 2;
    const half = field.min < 0 ? Math.max(-field.min, field.max) : (field.max - field.min) / 2;
    axes[axis] = (signed - middle) / half + 0;
  }
  return { axes, buttons: hasButtons ? pressed : null };
}

const axis = (usage: number, at: number): ReportField => ({ usagePage: GENERIC_DESKTOP, usage, bitOffset: at * 16, bits: 16, min: -350, max: 350 });

/** The simulated puck's reports: 1 slides, 2 tilts, 3 eight buttons. */
export const PUCK_DESCRIPTOR: ReportDescriptor = {
  reports: [
    { id: 1, fields: [axis(0x30, 0), axis(0x31, 1), axis(0x32, 2)] },
    { id: 2, fields: [axis(0x33, 0), axis(0x34, 1), axis(0x35, 2)] },
    { id: 3, fields: Array.from({ length: 8 }, (_, i) => ({ usagePage: BUTTONS, usage: i + 1, bitOffset: i, bits: 1, min: 0, max: 1 })) },
  ],
};

/** Input reports that the simulated puck sends for six strokes (-1 … 1) and pressed buttons. */
export function puckReports(axes: SixAxes, buttons: readonly number[]): { id: number; data: Uint8Array }[] {
  const words = (values: readonly number[]): Uint8Array => {
    const data = new Uint8Array(6);
    const view = new DataView(data.buffer);
    for (const [i, v] of values.entries()) view.setInt16(i * 2, Math.round(Math.min(1, Math.max(-1, v)) * 350), true);
    return data;
  };
  const pressed = buttons.reduce((bits, b) => bits | (1 << (b - 1)), 0);
  return [
    { id: 1, data: words(axes.slice(0, 3)) },
    { id: 2, data: words(axes.slice(3)) },
    { id: 3, data: new Uint8Array([pressed]) },
  ];
}
