import { actionWords, bindingFor, exampleGesture, type Scheme, type SixAxes } from '@core/input';
import { type KeyboardEvent, type PointerEvent, useRef, useState } from 'react';
import type { Frames } from '../frames';
import { PuckScript } from './PuckScript';
import type { PuckListener } from './puckFeed';
import { usePuck } from './usePuck';

const REST: SixAxes = [0, 0, 0, 0, 0, 0];
const KEY_STROKE = 0.8;
const REACH = 46;

/** Cap movements of each pad: which axes a drag to the right and a drag up move. */
const PADS = [
  { id: 'slide', title: 'Slide and push', words: 'Drag right or left to slide, up to push away, down to pull nearer', x: [0, 1], y: [1, 1] },
  {
    id: 'twist',
    title: 'Twist and tilt',
    words: 'Drag right to twist clockwise, left to twist anticlockwise, up to tilt away, down to tilt nearer',
    x: [5, -1],
    y: [3, -1],
  },
  { id: 'lift', title: 'Lift and lean', words: 'Drag up to lift, down to press, right or left to lean', x: [4, 1], y: [2, 1] },
] as const;

export type PuckMoves = NonNullable<Scheme['options']['puck']>['moves'];

interface Props {
  readonly listener: PuckListener;
  readonly scheme: Scheme;
  /** When what the cap did is done; left out: with the browser's own pictures. */
  readonly frames?: Frames | undefined;
  /** Left out: whether the cap moves the model or the camera is not to be chosen here. */
  readonly onMoves?: (moves: PuckMoves) => void;
}

/** The simulated 3D mouse: a cap on three pads that springs back. Arrow keys hold a stroke while they are down. */
export function PuckPanel({ listener, scheme, frames, onMoves }: Props) {
  const moves = scheme.options.puck?.moves ?? 'model';
  const puck = usePuck(listener, frames);
  const [held, setHeld] = useState<{ id: string; x: number; y: number } | null>(null);
  const from = useRef<{ x: number; y: number } | null>(null);
  const keys = useRef(new Set<string>());

  /** What a button does in this scheme. */
  const meaning = (button: number): string => {
    const binding = bindingFor(scheme, exampleGesture({ trigger: { kind: 'puckButton', button }, modifiers: [] }));
    return binding ? actionWords(binding).toLowerCase() : 'nothing';
  };
  const stroke = (pad: (typeof PADS)[number], x: number, y: number): void => {
    const axes = [...REST] as number[];
    axes[pad.x[0]] = x * pad.x[1];
    axes[pad.y[0]] = y * pad.y[1];
    setHeld(x === 0 && y === 0 ? null : { id: pad.id, x, y });
    puck.send(axes as unknown as SixAxes, []);
  };
  const limit = (v: number): number => Math.max(-1, Math.min(1, v / REACH));
  const move = (pad: (typeof PADS)[number]) => (event: PointerEvent) => {
    if (from.current) stroke(pad, limit(event.clientX - from.current.x), limit(from.current.y - event.clientY));
  };
  const byKeys = (pad: (typeof PADS)[number], down: boolean) => (event: KeyboardEvent) => {
    if (!event.key.startsWith('Arrow')) return;
    event.preventDefault();
    event.stopPropagation();
    if (down) keys.current.add(event.key);
    else keys.current.delete(event.key);
    const has = (key: string): number => (keys.current.has(key) ? KEY_STROKE : 0);
    stroke(pad, has('ArrowRight') - has('ArrowLeft'), has('ArrowUp') - has('ArrowDown'));
  };
  const release = (pad: (typeof PADS)[number]): void => {
    from.current = null;
    keys.current.clear();
    stroke(pad, 0, 0);
  };

  return (
    <section aria-label="Simulated 3D mouse" className="card shrink-0 p-3">
      <h2 className="text-sm">3D mouse</h2>
      <div className="mt-2 grid grid-cols-3 gap-2">
        {PADS.map((pad) => (
          <div key={pad.id} className="text-center">
            <div
              role="slider"
              tabIndex={0}
              aria-label={`${pad.title}: ${pad.words}`}
              aria-valuenow={Math.round((held?.id === pad.id ? held.x : 0) * 100)}
              aria-valuetext={held?.id === pad.id ? `${Math.round(held.x * 100)} across, ${Math.round(held.y * 100)} up` : 'at rest'}
              className="relative mx-auto grid aspect-square w-14 touch-none place-items-center rounded-full border-2 border-ink bg-paper"
              onPointerDown={(event) => {
                from.current = { x: event.clientX, y: event.clientY };
                event.currentTarget.setPointerCapture(event.pointerId);
              }}
              onPointerMove={move(pad)}
              onPointerUp={() => release(pad)}
              onPointerCancel={() => release(pad)}
              onKeyDown={byKeys(pad, true)}
              onKeyUp={byKeys(pad, false)}
              onBlur={() => keys.current.size > 0 && release(pad)}
            >
              <span
                className="block h-3/5 w-3/5 rounded-full bg-ink"
                style={{ transform: held?.id === pad.id ? `translate(${held.x * 30}%, ${-held.y * 30}%)` : undefined }}
              />
            </div>
            <p className="mt-1 text-xs leading-tight">{pad.title}</p>
          </div>
        ))}
      </div>
      {onMoves && (
        <label className="mt-2 flex items-center gap-2 text-xs">
          The cap moves
          <select className="field !w-auto !py-0.5 text-xs" value={moves} onChange={(e) => onMoves(e.target.value as PuckMoves)}>
            <option value="model">the model</option>
            <option value="camera">the camera</option>
          </select>
        </label>
      )}
      <div className="mt-2 flex gap-2">
        {[1, 2].map((button) => (
          <button
            key={button}
            type="button"
            className="button !px-2 !py-0.5 text-xs"
            onClick={() => {
              puck.send(REST, [button]);
              puck.send(REST, []);
            }}
          >
            {`Button ${button}: ${meaning(button)}`}
          </button>
        ))}
      </div>
      <div className="mt-1.5 flex flex-wrap gap-x-3 gap-y-1">
        <PuckScript puck={puck} />
        {onMoves && (
          <button type="button" className="button-quiet text-xs" onClick={() => void puck.connect()}>
            Connect a real one
          </button>
        )}
      </div>
      {puck.device && (
        <p className="text-xs" role="status">
          {puck.device}
        </p>
      )}
    </section>
  );
}
