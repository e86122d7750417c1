import { actionWords, type Binding, bindingFor, type Gesture, type Scheme, triggerWords } from '@core/input';
import { listenForMultiAxis } from '@web/stage/multiAxisDevice';
import { PuckPanel } from '@web/stage/PuckPanel';
import type { PuckListener } from '@web/stage/puckFeed';
import { useKeyLabels } from '@web/ui/keyLabels';
import { type PointerEvent, useEffect, useRef, useState, type WheelEvent } from 'react';
import { modifiersHeld, wheelCaptured } from './capture';

interface Line {
  readonly number: number;
  readonly device: string;
  readonly sent: string;
  readonly gives: string;
}

const KEPT = 14;
const BUTTONS = ['left', 'middle', 'right'] as const;
/** The six axes by what the hand does. */
const AXES = ['slide', 'push', 'lift', 'tilt', 'lean', 'twist'] as const;

/** Shows live what each device sends and what the scheme makes of it. */
export function TestBench({ scheme }: { readonly scheme: Scheme }) {
  const [lines, setLines] = useState<readonly Line[]>([]);
  const [connected, setConnected] = useState<{ name: string; ignored: number } | null>(null);
  const [axes, setAxes] = useState<readonly number[]>([0, 0, 0, 0, 0, 0]);
  const labels = useKeyLabels();
  const count = useRef(0);
  const down = useRef<{ x: number; y: number; button: (typeof BUTTONS)[number]; moved: boolean; fingers: Set<number>; most: number } | null>(null);
  const end = useRef<(() => void) | null>(null);
  useEffect(() => () => end.current?.(), []);

  const tell = (device: string, sent: string, binding: Pick<Binding, 'command'> | null): void =>
    setLines((before) =>
      [{ number: ++count.current, device, sent, gives: binding ? actionWords(binding) : 'nothing in this scheme' }, ...before].slice(0, KEPT),
    );
  const told = (device: string, gesture: Gesture, words: string): void => tell(device, words, bindingFor(scheme, gesture));

  const press = (event: PointerEvent<HTMLDivElement>): void => {
    event.currentTarget.setPointerCapture(event.pointerId);
    event.currentTarget.focus();
    if (down.current) {
      down.current.fingers.add(event.pointerId);
      down.current.most = Math.max(down.current.most, down.current.fingers.size);
    } else
      down.current = {
        x: event.clientX,
        y: event.clientY,
        button: BUTTONS[event.button as 0 | 1 | 2] ?? 'left',
        moved: false,
        fingers: new Set([event.pointerId]),
        most: 1,
      };
  };
  const move = (event: PointerEvent<HTMLDivElement>): void => {
    if (down.current && Math.hypot(event.clientX - down.current.x, event.clientY - down.current.y) > 6) down.current.moved = true;
  };
  const release = (event: PointerEvent<HTMLDivElement>): void => {
    const d = down.current;
    if (!d) return;
    d.fingers.delete(event.pointerId);
    if (d.fingers.size > 0) return;
    down.current = null;
    const at = { u: 0, v: 0 };
    const modifiers = modifiersHeld(event);
    if (event.pointerType === 'touch' && d.moved) {
      const fingers = Math.min(3, d.most) as 1 | 2 | 3;
      told(
        'touch',
        { kind: 'touch', fingers, from: at, last: at, to: at, spread: 1, twist: 0, done: true },
        triggerWords({ trigger: { kind: 'touch', fingers }, modifiers: [] }),
      );
    } else if (d.moved)
      told(
        event.pointerType,
        { kind: 'drag', button: d.button, modifiers, from: at, last: at, to: at, done: true },
        triggerWords({ trigger: { kind: 'drag', button: d.button }, modifiers }),
      );
    else
      told(
        event.pointerType,
        { kind: 'click', button: d.button, count: 1, modifiers, at },
        triggerWords({ trigger: { kind: 'click', button: d.button, count: 1 }, modifiers }),
      );
  };
  const wheel = (event: WheelEvent): void => {
    const { trigger, modifiers } = wheelCaptured(event.nativeEvent);
    const at = { u: 0, v: 0 };
    const gesture: Gesture =
      trigger.kind === 'pinch'
        ? { kind: 'pinch', factor: 1.1, at }
        : trigger.kind === 'scroll'
          ? { kind: 'scroll', modifiers, du: 0.1, dv: 0.1, at }
          : { kind: 'wheel', modifiers, notches: 1, at };
    told(
      trigger.kind === 'wheel' ? 'mouse' : 'touchpad',
      gesture,
      `${triggerWords({ trigger, modifiers: [...modifiers] })} (${Math.round(event.deltaX)}, ${Math.round(event.deltaY)})`,
    );
  };
  const bindings = bindingFor(scheme, { kind: 'axes', axes: [1, 0, 0, 0, 0, 0], dt: 0 });
  const moving = useRef(false);
  const puck: PuckListener = {
    axes(strokes) {
      setAxes(strokes);
      if (moving.current) return;
      moving.current = true;
      tell('3D mouse, simulated', AXES.filter((_, i) => strokes[i] !== 0).join(', '), bindings);
    },
    button: (button) => told('3D mouse, simulated', { kind: 'puckButton', button }, `button ${button}`),
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
      onButton: (button) => told('3D mouse', { kind: 'puckButton', button }, `button ${button}`),
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
        onPointerDown={press}
        onPointerMove={move}
        onPointerUp={release}
        onWheel={wheel}
        onContextMenu={(event) => event.preventDefault()}
        onKeyDown={(event) => {
          if (event.key === 'Tab' || event.repeat) return;
          event.preventDefault();
          const modifiers = modifiersHeld(event);
          const gesture: Gesture = { kind: 'key', code: event.code, modifiers, at: null };
          const binding = bindingFor(scheme, gesture) ?? bindingFor(scheme, { kind: 'held', code: event.code, modifiers, dt: 0, at: null });
          tell('keyboard', `${triggerWords({ trigger: { kind: 'key', code: event.code }, modifiers }, labels)} (${event.code})`, binding);
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
        {(connected || axes.some((a) => a !== 0)) && <span className="font-mono text-xs">{axes.map((a) => a.toFixed(2)).join('  ')}</span>}
      </div>
      <div className="mt-3 max-w-72">
        <PuckPanel scheme={scheme} listener={puck} />
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
