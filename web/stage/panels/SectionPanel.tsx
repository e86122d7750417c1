import type { Mesh, Plane } from '@core/geometry';
import { commandWords, type Scheme, shortcutFor } from '@core/input';
import { addScaled, dot, fromAxisAngle, rightOf, rotate, unit, upOf, type Vec3 } from '@core/math';
import { centreOf } from '@core/model';
import type { Command, Scene } from '@core/navigation';
import { areaWords } from '@web/ui/areaWords';
import { useKeyLabels } from '@web/ui/keyLabels';
import { Tip } from '@web/ui/Tip';
import type { Caps } from '@web/workers/makeCaps';
import { useEffect, useState } from 'react';
import { lengthWords } from '../marks/GridMarks';
import { MAIN_CUTS, planeThrough } from './mainCuts';

interface Props {
  readonly scene: Scene;
  readonly mesh: Mesh;
  /** The cut faces as they are drawn, with their measures. */
  readonly caps: Caps | null;
  readonly scheme: Scheme;
  readonly onCommand: (command: Command) => void;
}

const TILT = Math.PI / 36;
/** Which way the cut's normal leans, about the screen's level or upright axis. */
const TILTS = [
  { words: 'up', across: true, way: -1 },
  { words: 'down', across: true, way: 1 },
  { words: 'left', across: false, way: -1 },
  { words: 'right', across: false, way: 1 },
] as const;
/** Distance, tilt, flip and removal of the cut, its main directions, and how much it cuts; millimetres along its normal. */
export function SectionPanel({ scene, mesh, caps, scheme, onCommand }: Props) {
  const labels = useKeyLabels();
  const { section } = scene;
  const [text, setText] = useState('');
  const mm = section ? Math.round(section.offset * 1000) : 0;
  useEffect(() => setText(String(mm)), [mm]);
  if (!section) return null;
  const wanted = Number(text.replace(',', '.'));
  const bad = text.trim() === '' || !Number.isFinite(wanted) || Math.abs(wanted) > 1e8;
  const apply = (): void => {
    if (!bad && wanted !== mm) onCommand({ kind: 'shiftSection', metres: wanted / 1000 - section.offset });
  };
  const middle = centreOf(mesh);
  // A tilt turns the plane about the point of it that lies before the model's middle.
  const foot = addScaled(middle, section.normal, section.offset - dot(section.normal, middle));
  const place = (plane: Plane): void => onCommand({ kind: 'section', plane });
  const tilt = (axis: Vec3, angle: number): void => {
    const n = rotate(fromAxisAngle(axis, angle), section.normal);
    place(planeThrough(unit(n) ?? section.normal, foot));
  };
  const { point } = scene.selection;
  const small = 'button !px-2 !py-0.5 text-xs';
  const does = (command: Command, words: string) => (
    <Tip words={commandWords(command)} shortcut={shortcutFor(scheme, { kind: 'command', command }, labels)}>
      <button type="button" className={small} onClick={() => onCommand(command)}>
        {words}
      </button>
    </Tip>
  );
  return (
    <fieldset className="w-60 rounded-xl border border-ink bg-card/95 px-3 pt-1 pb-2 shadow-sm">
      <legend className="px-1 font-semibold text-sm">The cut</legend>
      <label className="flex items-center gap-2 text-sm">
        <span>Distance</span>
        <input
          className="field !w-24 !py-1 text-right font-mono"
          value={text}
          inputMode="decimal"
          aria-invalid={bad}
          onChange={(e) => setText(e.target.value)}
          onBlur={apply}
          onKeyDown={(e) => e.key === 'Enter' && apply()}
        />
        <span>mm</span>
      </label>
      <p className="text-ink-soft text-xs">Along its normal, from the middle of the model’s foot.</p>
      {bad && (
        <p role="alert" className="mt-1 text-signal text-sm">
          Write a number of millimetres.
        </p>
      )}
      <div className="mt-1.5 flex gap-1">
        {does({ kind: 'flipSection' }, 'Flip')}
        {does({ kind: 'section', plane: null }, 'Take away')}
      </div>
      {caps && caps.area <= 0 && (
        <p className="mt-1.5 text-signal text-xs" role="status">
          It cuts nothing: it lies outside what is shown.
        </p>
      )}
      {caps && caps.area > 0 && (
        <p className="mt-1.5 text-xs" role="status">
          Area <strong className="font-mono">{areaWords(caps.area)}</strong>, outline <strong className="font-mono">{lengthWords(caps.perimeter)}</strong>
        </p>
      )}
      <details className="mt-1 text-xs">
        <summary className="font-semibold">Lay it elsewhere</summary>
        <div className="mt-1.5 flex flex-wrap items-center gap-1">
          {MAIN_CUTS.map(({ words, normal }) => (
            <button key={words} type="button" className={small} onClick={() => place(planeThrough(normal, point ?? middle))}>
              {words}
            </button>
          ))}
          <button type="button" className={small} disabled={!point} onClick={() => point && place(planeThrough(section.normal, point))}>
            Through the picked point
          </button>
        </div>
        <div className="mt-1 flex items-center gap-1">
          <span>Tilt</span>
          {TILTS.map(({ words, across, way }) => (
            <button
              key={words}
              type="button"
              className={small}
              aria-label={`Tilt the cut ${words} by 5°`}
              onClick={() => tilt((across ? rightOf : upOf)(scene.view.orientation), way * TILT)}
            >
              {words}
            </button>
          ))}
        </div>
      </details>
    </fieldset>
  );
}
