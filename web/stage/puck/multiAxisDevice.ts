import { GENERIC_DESKTOP, type ReportDescriptor, type ReportField, readMultiAxisReport } from '@core/input';

/** Usage of a multi-axis controller on the generic desktop page, USB HID usage tables. */
const MULTI_AXIS = 0x08;
/** Axes that no report told of for this long have come to rest: the device was unplugged, or lost a report, ms. */
const SILENCE_MS = 400;

/** The parts of WebHID that are used; browsers without it have none of it. */
interface HidItem {
  readonly usages?: readonly number[];
  readonly usageMinimum?: number;
  readonly usageMaximum?: number;
  readonly isRange?: boolean;
  readonly reportSize?: number;
  readonly reportCount?: number;
  readonly logicalMinimum?: number;
  readonly logicalMaximum?: number;
}
interface HidCollection {
  readonly usagePage?: number;
  readonly usage?: number;
  readonly inputReports?: readonly { readonly reportId?: number; readonly items?: readonly HidItem[] }[];
  readonly children?: readonly HidCollection[];
}
interface HidDevice extends EventTarget {
  readonly productName: string;
  readonly collections: readonly HidCollection[];
  readonly opened: boolean;
  open(): Promise<void>;
  close(): Promise<void>;
}
interface Hid extends EventTarget {
  requestDevice(options: { filters: readonly { usagePage: number; usage: number }[] }): Promise<HidDevice[]>;
}

/** The input reports of a device as bit fields, from what it declares. WebHID's usages are 32 bits: page, then usage. */
export function describeReports(collections: readonly HidCollection[]): ReportDescriptor {
  const reports = new Map<number, ReportField[]>();
  const take = (collection: HidCollection): void => {
    for (const report of collection.inputReports ?? []) {
      const id = report.reportId ?? 0;
      const fields = reports.get(id) ?? [];
      let bit = 0;
      for (const item of report.items ?? []) {
        const [bits, count] = [item.reportSize ?? 0, item.reportCount ?? 0];
        for (let i = 0; i < count; i++) {
          const usage = item.isRange ? (item.usageMinimum ?? 0) + i : item.usages?.[i];
          if (usage !== undefined && bits > 0)
            fields.push({ usagePage: usage >>> 16, usage: usage & 0xffff, bitOffset: bit, bits, min: item.logicalMinimum ?? 0, max: item.logicalMaximum ?? 0 });
          bit += bits;
        }
      }
      reports.set(id, fields);
    }
    for (const child of collection.children ?? []) take(child);
  };
  for (const collection of collections) take(collection);
  return { reports: [...reports].map(([id, fields]) => ({ id, fields })) };
}

export interface MultiAxisListener {
  readonly onConnected: (name: string) => void;
  /** Six strokes, -1 … 1, and since when they hold, ms on the page's clock; left out: since now. */
  readonly onAxes: (axes: readonly number[], at?: number) => void;
  /** A button that went down, from 1. */
  readonly onButton: (button: number) => void;
  /** Reports that could not be read so far. */
  readonly onIgnored: (count: number) => void;
  readonly onEnd: () => void;
  readonly onRefused: (why: string) => void;
}

/**
 * Keeps the state of a device from its reports, however they are split, and comes to rest when they stop. `scripted`: the
 * reports have moments of their own and may come late, so that silence means nothing.
 */
export function createReportReader(
  descriptor: ReportDescriptor,
  listener: Pick<MultiAxisListener, 'onAxes' | 'onButton' | 'onIgnored'>,
  { scripted = false } = {},
) {
  const axes = [0, 0, 0, 0, 0, 0];
  let pressed: readonly number[] = [];
  let ignored = 0;
  let rest: ReturnType<typeof setTimeout> | undefined;
  const stop = (): void => {
    clearTimeout(rest);
    if (axes.every((a) => a === 0)) return;
    axes.fill(0);
    listener.onAxes([...axes]);
  };
  return {
    stop,
    report(id: number, data: Uint8Array, at?: number): void {
      const read = readMultiAxisReport(descriptor, { id, data });
      if (read.axes.every((a) => a === null) && !read.buttons) {
        listener.onIgnored(++ignored);
        return;
      }
      read.axes.forEach((a, i) => {
        if (a !== null) axes[i] = a;
      });
      if (read.axes.some((a) => a !== null)) listener.onAxes([...axes], at);
      for (const button of read.buttons ?? []) if (!pressed.includes(button)) listener.onButton(button);
      if (read.buttons) pressed = read.buttons;
      clearTimeout(rest);
      if (!scripted) rest = setTimeout(stop, SILENCE_MS);
    },
  };
}

/** Asks for a standard multi-axis controller and listens to it; returns what ends it. */
export async function listenForMultiAxis(listener: MultiAxisListener): Promise<() => void> {
  const hid = (navigator as { hid?: Hid }).hid;
  if (!hid && globalThis.isSecureContext === false) {
    listener.onRefused(
      'A real 3D mouse needs this page over TLS: use its https address. Whoever runs Dial Home finds how to give it one in docs/running.md. The pads above work here.',
    );
    return () => {};
  }
  if (!hid) {
    listener.onRefused('This browser does not speak to such devices. Use the puck panel, or a browser with WebHID.');
    return () => {};
  }
  try {
    const [device] = await hid.requestDevice({ filters: [{ usagePage: GENERIC_DESKTOP, usage: MULTI_AXIS }] });
    if (!device) {
      listener.onRefused('No device was chosen.');
      return () => {};
    }
    if (!device.opened) await device.open();
    const reader = createReportReader(describeReports(device.collections), listener);
    const onReport = (event: Event): void => {
      const { reportId, data } = event as Event & { reportId: number; data: DataView };
      reader.report(reportId, new Uint8Array(data.buffer, data.byteOffset, data.byteLength), event.timeStamp);
    };
    const onGone = (event: Event): void => {
      if ((event as Event & { device?: HidDevice }).device !== device) return;
      reader.stop();
      listener.onEnd();
    };
    device.addEventListener('inputreport', onReport);
    hid.addEventListener('disconnect', onGone);
    listener.onConnected(device.productName || 'A 3D mouse');
    return () => {
      device.removeEventListener('inputreport', onReport);
      hid.removeEventListener('disconnect', onGone);
      reader.stop();
      void device.close();
    };
  } catch (error) {
    listener.onRefused(error instanceof Error ? error.message : 'The device could not be opened.');
    return () => {};
  }
}
