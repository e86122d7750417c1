import type { Placed } from '@core/geometry';
import type { GoalOf } from '@core/goals';
import { FRAME_ASPECT, frameHeightAt, project, type View } from '@core/view';
import { untilCancelled } from '@web/stage/devices/cancelWatch';
import { FRAME_VIEW_BOX } from '@web/ui/frameUnits';
import { type KeyboardEvent, type PointerEvent, useRef, useState } from 'react';
import type { HandlesProps } from '../goalParts';
import { draggedSize, draggedTurn, knobOf, type Ring, ringOf, type Spot, type Turned, turnFrom, turnsOf } from './turning';

type Grip = Ring | 'size';

const WORDS: { readonly [G in Grip]: string } = { round: 'Turn', over: 'Tip', size: 'Size of' };
/** Steps of an arrow key: degrees, and the share of a size. */
const TURN_STEP = 5;
const SIZE_STEP = 1.05;

const half = (degrees: number): number => degrees - 360 * Math.round(degrees / 360);

/** An object as one of its grips leaves it, dragged from one spot to another. */
function dragged(grip: Grip, object: Placed, turned: Turned, view: View, from: Spot, to: Spot): Placed {
  if (grip === 'size') return { ...object, size: draggedSize(object, view, from, to) };
  return { ...object, turn: turnFrom({ ...turned, [grip]: Math.round(half(turned[grip] + draggedTurn(grip, object, turned, view, from, to))) }) };
}

function stepped(grip: Grip, object: Placed, turned: Turned, by: number): Placed {
  if (grip === 'size') return { ...object, size: Number((object.size * SIZE_STEP ** by).toPrecision(3)) };
  return { ...object, turn: turnFrom({ ...turned, [grip]: half(turned[grip] + TURN_STEP * by) }) };
}

/** The rings and knobs of one object. */
function ObjectGrips({
  name,
  object,
  view,
  onChange,
}: {
  readonly name: string;
  readonly object: Placed;
  readonly view: View;
  readonly onChange: (object: Placed) => void;
}) {
  const held = useRef<{ readonly grip: Grip; readonly object: Placed; readonly turned: Turned; readonly from: Spot; readonly end: () => void } | null>(null);
  const turned = turnsOf(object.turn);
  const middle = project(view, object.point, FRAME_ASPECT);
  if (!(middle.depth > 0)) return null;
  const shown = object.size / frameHeightAt(view, middle.depth);
  const ends: { readonly [G in Grip]: Spot } = {
    round: project(view, knobOf('round', object, turned, view), FRAME_ASPECT),
    over: project(view, knobOf('over', object, turned, view), FRAME_ASPECT),
    size: { u: middle.u + Math.max(0.09, 0.9 * shown), v: middle.v - Math.max(0.09, 0.9 * shown) },
  };
  const spotOf = (event: PointerEvent<SVGElement>): Spot => {
    const area = (event.currentTarget.ownerSVGElement as SVGElement).getBoundingClientRect();
    return { u: ((event.clientX - area.left) / area.width - 0.5) * FRAME_ASPECT, v: 0.5 - (event.clientY - area.top) / area.height };
  };
  const begin = (grip: Grip, event: PointerEvent<SVGElement>): void => {
    event.currentTarget.setPointerCapture(event.pointerId);
    event.stopPropagation();
    const end = untilCancelled(() => {
      held.current = null;
      onChange(object);
    });
    held.current = { grip, object, turned, from: spotOf(event), end };
  };
  const move = (event: PointerEvent<SVGElement>): void => {
    const from = held.current;
    if (from) onChange(dragged(from.grip, from.object, from.turned, view, from.from, spotOf(event)));
  };
  const letGo = (): void => {
    held.current?.end();
    held.current = null;
  };
  const key = (grip: Grip, event: KeyboardEvent<SVGElement>): void => {
    const by = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    onChange(stepped(grip, object, turned, by));
  };
  const line = (ring: Ring): string =>
    `${ringOf(ring, object, turned, view)
      .map((place, i) => {
        const { u, v } = project(view, place, FRAME_ASPECT);
        return `${i === 0 ? 'M' : 'L'}${u} ${-v}`;
      })
      .join('')}Z`;
  const values = { round: turned.round, over: turned.over, size: Math.round(object.size * 1000) };
  return (
    <g>
      {(['round', 'over'] as const).map((ring) => (
        <g key={ring}>
          <path d={line(ring)} fill="none" stroke="var(--color-paper)" strokeWidth="0.009" />
          <path d={line(ring)} fill="none" stroke="var(--color-signal)" strokeWidth="0.004" strokeDasharray={ring === 'over' ? '0.014 0.008' : undefined} />
        </g>
      ))}
      {(['round', 'over', 'size'] as const).map((grip) => (
        <g
          key={grip}
          data-grip={grip}
          role="slider"
          tabIndex={0}
          aria-label={`${WORDS[grip]} ${name}`}
          aria-valuenow={values[grip]}
          aria-valuetext={`${values[grip]} ${grip === 'size' ? 'mm' : '°'}`}
          className="pointer-events-auto cursor-grab"
          onPointerDown={(event) => begin(grip, event)}
          onPointerMove={move}
          onPointerUp={letGo}
          onPointerCancel={letGo}
          onKeyDown={(event) => key(grip, event)}
        >
          <title>{`${WORDS[grip]} ${name}`}</title>
          <circle cx={ends[grip].u} cy={-ends[grip].v} r="0.03" fill="transparent" />
          {grip === 'size' ? (
            <rect
              x={ends.size.u - 0.011}
              y={-ends.size.v - 0.011}
              width="0.022"
              height="0.022"
              fill="var(--color-signal)"
              stroke="var(--color-paper)"
              strokeWidth="0.005"
            />
          ) : (
            <circle cx={ends[grip].u} cy={-ends[grip].v} r="0.013" fill="var(--color-signal)" stroke="var(--color-paper)" strokeWidth="0.005" />
          )}
        </g>
      ))}
    </g>
  );
}

/** The objects that stand on the stage: a press on one's dot takes it in hand, to be turned, tipped and sized. */
export function FindItHandles({ goal, view, onChange }: HandlesProps<GoalOf<'findIt'>>) {
  const objects = goal.items.flatMap((item) => (item.of === 'object' ? [item] : []));
  const [chosen, setChosen] = useState<string | null>(null);
  const inHand = objects.find(({ id }) => id === chosen) ?? objects.at(-1);
  if (!inHand) return null;
  return (
    <svg className="pointer-events-none absolute inset-0 h-full w-full" viewBox={FRAME_VIEW_BOX} role="group" aria-label="Placed objects">
      {objects.map(({ id, name, object }) => {
        const { u, v, depth } = project(view, object.point, FRAME_ASPECT);
        if (id === inHand.id || !(depth > 0)) return null;
        return (
          <g
            key={id}
            role="button"
            tabIndex={0}
            aria-label={`Take ${name} in hand`}
            className="pointer-events-auto cursor-pointer"
            onPointerDown={(event) => {
              event.stopPropagation();
              setChosen(id);
            }}
            onKeyDown={(event) => {
              if (event.key === 'Enter' || event.key === ' ') setChosen(id);
            }}
          >
            <title>{`Take ${name} in hand`}</title>
            <circle cx={u} cy={-v} r="0.03" fill="transparent" />
            <circle cx={u} cy={-v} r="0.012" fill="var(--color-paper)" stroke="var(--color-signal)" strokeWidth="0.006" />
          </g>
        );
      })}
      <ObjectGrips
        name={inHand.name}
        object={inHand.object}
        view={view}
        onChange={(object) => onChange({ ...goal, items: goal.items.map((item) => (item.id === inHand.id ? { ...inHand, object } : item)) })}
      />
    </svg>
  );
}
