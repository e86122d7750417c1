import type { Prompt, RedactedGoal } from '@core/goals';
import { BUILT_IN_SCHEMES, type Scheme } from '@core/input';
import type { Vec3 } from '@core/math';
import type { Scene } from '@core/navigation';
import { FRAME_ASPECT, pointAt, project, type View } from '@core/view';
import { overlayOf } from '@web/goals/overlays';
import { usePlaced } from '@web/goals/usePlaced';
import type { Prepared } from '@web/stage/prepared';
import { StageFrame } from '@web/stage/StageFrame';
import { createScenePlayer } from '@web/stage/sceneSource';
import { useStage } from '@web/stage/useStage';
import { FRAME_VIEW_BOX } from '@web/ui/frameUnits';
import { type PointerEvent, type ReactNode, Suspense, useEffect, useMemo } from 'react';
import { useStore } from 'zustand';
import type { Clock } from './clock';

/** A comment's point of the model, with its number. */
export interface Pin {
  readonly number: number;
  readonly point: Vec3;
}

/** The frame of another view, as it stands in the present one: its corners at what it looks at. */
function GhostFrame({ ghost, view }: { readonly ghost: View; readonly view: View }) {
  const corners = [
    [-1, 1],
    [1, 1],
    [1, -1],
    [-1, -1],
  ].map(([x = 0, y = 0]) => project(view, pointAt(ghost, (x * FRAME_ASPECT) / 2, y / 2, ghost.distance), FRAME_ASPECT));
  // Corners behind the eye would be drawn on the wrong side.
  if (view.projection === 'perspective' && corners.some(({ depth }) => depth <= 0)) return null;
  const path = `M${corners.map(({ u, v }) => `${u} ${-v}`).join('L')}Z`;
  return (
    <svg className="pointer-events-none absolute inset-0 h-full w-full" viewBox={FRAME_VIEW_BOX} role="img" aria-label="Frame of the reference">
      <path d={path} fill="none" stroke="var(--color-paper)" strokeWidth="0.014" />
      <path d={path} fill="none" stroke="var(--color-amber)" strokeWidth="0.008" strokeDasharray="0.03 0.015" />
    </svg>
  );
}

function Ghost({ clock, ghostAt, view }: { readonly clock: Clock; readonly ghostAt: (at: number) => View | null; readonly view: View }) {
  // A view between two moves is made anew each time it is asked for: a store's selector may not give one.
  const ghost = ghostAt(useStore(clock, (s) => s.at));
  return ghost && <GhostFrame ghost={ghost} view={view} />;
}

function Pins({ pins, view }: { readonly pins: readonly Pin[]; readonly view: View }) {
  return (
    <svg className="pointer-events-none absolute inset-0 h-full w-full" viewBox={FRAME_VIEW_BOX} role="img" aria-label="Points of comments">
      {pins.map(({ number, point }) => {
        const { u, v, depth } = project(view, point, FRAME_ASPECT);
        if (view.projection === 'perspective' && depth <= 0) return null;
        return (
          <g key={number} transform={`translate(${u} ${-v})`}>
            <circle r="0.028" fill="var(--color-signal)" stroke="var(--color-paper)" strokeWidth="0.006" />
            <text textAnchor="middle" dominantBaseline="central" fontSize="0.034" fill="var(--color-on-signal)" fontWeight="700">
              {number}
            </text>
          </g>
        );
      })}
    </svg>
  );
}

interface Props {
  readonly prepared: Prepared;
  readonly clock: Clock;
  /** What is shown at a moment of the clock. */
  readonly sceneAt: (at: number) => Scene;
  /** What the step asks for, and what it asks just now. */
  readonly goal: RedactedGoal | undefined;
  readonly prompt: Prompt | null;
  /** The published picture of what is hidden; null: nothing is. */
  readonly picture: string | null;
  readonly label: string;
  /** Another view whose frame stands on the stage at a moment of the clock; null: none. */
  readonly ghostAt?: (at: number) => View | null;
  /** The views of a reference over this step; left out: none stands beside it. */
  readonly way?: readonly View[] | undefined;
  readonly pins?: readonly Pin[];
  /** Hears of a spot of the model that was pointed at; left out: nothing is pointed at. */
  readonly onSpot?: ((point: Vec3) => void) | null;
  readonly children?: ReactNode;
}

/** A stage that shows an attempt as it was; nothing on it moves by hand. */
export function ReviewStage({ prepared, clock, sceneAt, goal, prompt, picture, label, ghostAt, way, pins = [], onSpot = null, children }: Props) {
  const source = useMemo(() => createScenePlayer(sceneAt(clock.getState().at)), [sceneAt, clock]);
  useEffect(() => {
    const show = (): void => {
      const { at } = clock.getState();
      source.show(sceneAt(at), at);
    };
    show();
    return clock.subscribe(show);
  }, [clock, source, sceneAt]);
  const { canvas, handle, drawn } = useStage(prepared, null, BUILT_IN_SCHEMES[0] as Scheme, { source });
  usePlaced(handle, goal);
  const Overlay = goal && overlayOf(goal);
  const point = (event: PointerEvent<HTMLElement>): void => {
    if (!onSpot || !handle) return;
    const area = event.currentTarget.getBoundingClientRect();
    const at = { u: ((event.clientX - area.left) / area.width - 0.5) * FRAME_ASPECT, v: 0.5 - (event.clientY - area.top) / area.height };
    const hit = handle.probes.pick(source.getState().scene, at.u, at.v);
    if (hit) onSpot(hit.point);
  };
  return (
    // Where there is no height to fill, it has that of its width.
    <div className="flex min-w-0 flex-1 flex-col max-lg:aspect-[1.6] max-lg:w-full max-lg:max-h-[60vh]">
      <StageFrame canvas={canvas} label={label}>
        {drawn && (
          <Suspense>{Overlay && goal && <Overlay goal={goal} view={drawn} prompt={prompt} picture={picture} floorAt={undefined} beside={way} />}</Suspense>
        )}
        {drawn && ghostAt && <Ghost clock={clock} ghostAt={ghostAt} view={drawn} />}
        {drawn && pins.length > 0 && <Pins pins={pins} view={drawn} />}
        {onSpot && (
          <button
            type="button"
            className="absolute inset-0 cursor-crosshair"
            aria-label="Point at a place of the model"
            onPointerDown={point}
            // By a key: the middle of the picture.
            onClick={(event) => {
              if (event.detail === 0 && handle) {
                const hit = handle.probes.pick(source.getState().scene, 0, 0);
                if (hit) onSpot(hit.point);
              }
            }}
          />
        )}
        {children}
      </StageFrame>
    </div>
  );
}
