import { AXIS_NAMES, actionWords, type Binding, bindingFor, exampleGesture, type Scheme, triggerWords } from '@core/input';
import { modifiersOf } from '@web/stage/devices/modifiers';
import { listenForMultiAxis } from '@web/stage/puck/multiAxisDevice';
import { PuckPanel } from '@web/stage/puck/PuckPanel';
import type { PuckListener } from '@web/stage/puck/puckFeed';
import { useKeyLabels } from '@web/ui/keyLabels';
import { useEffect, useRef, useState, type WheelEvent } from 'react';
import { type Captured, wheelCaptured } from './capture';
import { usePresses } from './usePresses';

interface Line {
  readonly number: number;
  readonly device: string;
  readonly sent: string;
  readonly gives: string;
}

const KEPT = 14;

/** The six strokes as they are sent, from -1 to 1, each as a bar from the middle. */
function AxesBars({ axes }: { readonly axes: readonly number[] }) {
  return (
    <dl className="grid w-72 grid-cols-[auto_1fr_auto] content-center items-center gap-x-3 gap-y-1.5 text-sm">
      {AXIS_NAMES.map((name, i) => {
        const stroke = axes[i] ?? 0;
        return (
          <div key={name} className="contents">
            <dt>{name}</dt>
            <dd className="relative h-2.5 rounded-full bg-bar" aria-hidden="true">
              <span className="absolute inset-y-0 left-1/2 w-px bg-ink" />
              <span
                className="absolute inset-y-0 rounded-full bg-sea"
                style={{ left: `${50 + Math.min(0, stroke) * 50}%`, width: `${Math.abs(stroke) * 50}%` }}
              />
            </dd>
            <dd className="w-12 text-right font-mono text-xs">{stroke.toFixed(2)}</dd>
          </div>
        );
      })}
    </dl>
  );
}

/** Shows live what each device sends and what the scheme makes of it. */
export function TestBench({ scheme }: { readonly scheme: Scheme }) {
  const [lines, setLines] = useState<readonly Line[]>([]);
  const [connected, setConnected] = useState<{ name: string; ignored: number } | null>(null);
  const [axes, setAxes] = useState<readonly number[]>([0, 0, 0, 0, 0, 0]);
  const labels = useKeyLabels();
  const count = useRef(0);
  const end = useRef<(() => void) | null>(null);
  useEffect(() => () => end.current?.(), []);

  const tell = (device: string, sent: string, binding: Pick<Binding, 'command'> | null): void =>
    setLines((before) =>
      [{ number: ++count.current, device, sent, gives: binding ? actionWords(binding) : 'nothing in this scheme' }, ...before].slice(0, KEPT),
    );
  const shown = (device: string, captured: Captured, more = ''): void =>
    tell(device, `${triggerWords(captured, labels)}${more}`, bindingFor(scheme, exampleGesture(captured)));
  const presses = usePresses((captured, device) => shown(device, captured));
  const wheel = (event: WheelEvent): void => {
    const captured = wheelCaptured(event.nativeEvent);
    shown(captured.trigger.kind === 'wheel' ? 'mouse' : 'touchpad', captured, ` (${Math.round(event.deltaX)}, ${Math.round(event.deltaY)})`);
  };
  const pressed = (device: string, button: number): void => shown(device, { trigger: { kind: 'puckButton', button }, modifiers: [] });
  const bindings = bindingFor(scheme, exampleGesture({ trigger: { kind: 'axes' }, modifiers: [] }));
  const moving = useRef(false);
  const puck: PuckListener = {
    axes(strokes) {
      setAxes(strokes);
      if (moving.current) return;
      moving.current = true;
      tell('3D mouse, simulated', AXIS_NAMES.filter((_, i) => strokes[i] !== 0).join(', '), bindings);
    },
    button: (button) => pressed('3D mouse, simulated', button),
    rest() {
      moving.current = false;
      setAxes([0, 0, 0, 0, 0, 0]);
    },
  };
  const connect = async (): Promise<void> => {
    end.current?.();
    end.current = await listenForMultiAxis({
      onConnected: (name) => setConnected({ name, ignored: 0 }),
      onAxes: setAxes,
      onButton: (button) => pressed('3D mouse', button),
      onIgnored: (ignored) => setConnected((c) => c && { ...c, ignored }),
      onEnd: () => setConnected(null),
      onRefused: (why) => tell('3D mouse', why, null),
    });
  };
  return (
    <div>
      <p className="text-ink-soft">Try each device here: the bench tells what it sends, and what this scheme makes of it.</p>
      <div
        role="application"
        aria-label="Test bench: keys, buttons, wheel and fingers are shown here"
        tabIndex={0}
        className="mt-3 grid h-28 touch-none place-items-center rounded-xl border-2 border-ink select-none border-dashed bg-paper"
        {...presses}
        onPointerDown={(event) => {
          event.currentTarget.focus();
          presses.onPointerDown(event);
        }}
        onWheel={wheel}
        onKeyDown={(event) => {
          if (event.key === 'Tab' || event.repeat) return;
          event.preventDefault();
          const chord = { modifiers: modifiersOf(event) };
          const [key, held] = (['key', 'held'] as const).map((kind) => ({ ...chord, trigger: { kind, code: event.code } }));
          if (!key || !held) return;
          const binding = bindingFor(scheme, exampleGesture(key)) ?? bindingFor(scheme, exampleGesture(held));
          tell('keyboard', `${triggerWords(key, labels)} (${event.code})`, binding);
        }}
      >
        <p className="font-semibold">Drag, click, turn the wheel, use fingers or a pen, or press keys here</p>
      </div>
      <div className="mt-3 flex flex-wrap items-center gap-3">
        <button type="button" className="button !py-1.5 text-sm" onClick={connect}>
          Connect a 3D mouse
        </button>
        <span className="text-sm" role="status">
          {connected ? `${connected.name}; ${connected.ignored} reports could not be read` : 'None is connected. The simulated one needs none.'}
        </span>
      </div>
      <div className="mt-3 flex flex-wrap gap-8">
        <div className="w-72">
          <PuckPanel scheme={scheme} listener={puck} />
        </div>
        <AxesBars axes={axes} />
      </div>
      <table className="mt-4 w-full text-left text-sm">
        <thead>
          <tr className="border-ink border-b">
            <th className="py-1">Device</th>
            <th>It sent</th>
            <th>This scheme makes of it</th>
          </tr>
        </thead>
        <tbody>
          {lines.map((line) => (
            <tr key={line.number} className="border-rule border-b">
              <td className="py-1">{line.device}</td>
              <td className="font-mono text-xs">{line.sent}</td>
              <td>{line.gives}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {lines.length === 0 && <p className="py-3 text-ink-soft text-sm">Nothing was sent yet.</p>}
    </div>
  );
}
