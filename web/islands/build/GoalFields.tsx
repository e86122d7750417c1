import type { Call, Goal, GoalKind, GoalOf } from '@core/exercise';
import type { Mesh } from '@core/geometry';
import { initialScene, type Scene } from '@core/navigation';
import { STANDARD_NAMES, type View } from '@core/view';
import type { Session } from '@web/stage/session';
import { X } from 'lucide-react';
import { Slider } from 'radix-ui';
import { useState } from 'react';
import { callWords } from '../practise/useCalls';
import { NumberField } from './fields';
import { PartsField } from './PartsField';
import { trimmed, useRecording } from './useRecording';

export const GOALS: readonly { id: GoalKind; label: string }[] = [
  { id: 'matchView', label: 'Match a view' },
  { id: 'callView', label: 'Call the view' },
  { id: 'followOrbit', label: 'Follow an orbit' },
  { id: 'frameIt', label: 'Frame it' },
  { id: 'cutToReveal', label: 'Cut to reveal' },
];

/** The scene as a target keeps it: without history and without what is picked. */
export const asTarget = (scene: Scene): Scene => ({ ...initialScene(scene.view), section: scene.section, visibility: scene.visibility, style: scene.style });

/** A goal of another kind, with something sensible in it from the view on the stage. */
export function newGoal(kind: GoalKind, scene: Scene): Goal {
  switch (kind) {
    case 'matchView':
      return { kind, target: asTarget(scene), subject: [] };
    case 'callView':
      return { kind, order: 'asGiven', calls: [{ kind: 'standard', name: 'front' }] };
    case 'followOrbit':
      return {
        kind,
        pivot: scene.view.target,
        path: [
          { t: 0, view: scene.view },
          { t: 1, view: scene.view },
        ],
      };
    case 'frameIt':
      return { kind, subject: [...scene.selection.parts], margins: { left: 0.15, right: 0.15, top: 0.12, bottom: 0.12 } };
    case 'cutToReveal':
      return { kind, plane: scene.section, reveal: [] };
  }
}

interface Props<G extends Goal> {
  readonly goal: G;
  readonly session: Session;
  readonly scene: Scene;
  readonly mesh: Mesh | null;
  readonly show: (view: View) => void;
  readonly onChange: (goal: G) => void;
}

function MatchFields({ goal, scene, mesh, session, onChange }: Props<GoalOf<'matchView'>>) {
  return (
    <>
      <div className="mb-3 flex flex-wrap gap-2">
        <button type="button" className="button-main !py-2" onClick={() => onChange({ ...goal, target: asTarget(session.getState().scene) })}>
          Set target from this view
        </button>
      </div>
      <p className="mb-3 text-ink-soft text-sm">The target keeps the view, the cut, what is hidden and the drawing style.</p>
      <PartsField
        label="Subject: what size and place look at"
        none="The whole model"
        parts={goal.subject}
        mesh={mesh}
        picked={scene.selection.parts}
        onChange={(subject) => onChange({ ...goal, subject })}
      />
    </>
  );
}

function CallFields({ goal, scene, onChange }: Props<GoalOf<'callView'>>) {
  const [name, setName] = useState('');
  const add = (call: Call): void => onChange({ ...goal, calls: [...goal.calls, call] });
  const { point, normal } = scene.selection;
  return (
    <>
      <ol className="mb-2 space-y-1">
        {goal.calls.map((call, i) => (
          <li key={`${i}-${callWords(call)}`} className="flex items-center gap-2 rounded-md bg-bar px-3 py-1 text-sm">
            <span className="font-mono text-ink-soft">{i + 1}</span>
            <span className="flex-1">{callWords(call)}</span>
            <button
              type="button"
              aria-label={`Remove call ${i + 1}`}
              disabled={goal.calls.length === 1}
              onClick={() => onChange({ ...goal, calls: goal.calls.filter((_, n) => n !== i) })}
            >
              <X size={15} aria-hidden="true" />
            </button>
          </li>
        ))}
      </ol>
      <div className="mb-2 flex gap-2">
        <select
          aria-label="Add a standard view"
          className="field !py-1 text-sm"
          value=""
          onChange={(e) => e.target.value && add({ kind: 'standard', name: e.target.value as (typeof STANDARD_NAMES)[number] })}
        >
          <option value="">Call a standard view …</option>
          {STANDARD_NAMES.map((n) => (
            <option key={n} value={n}>
              {n.replaceAll('-', ' ')}
            </option>
          ))}
        </select>
        <button type="button" className="button !px-3 !py-1 text-sm" onClick={() => add({ kind: 'opposite' })}>
          The opposite
        </button>
      </div>
      <div className="mb-3 flex gap-2">
        <input
          aria-label="Name of the face"
          className="field !py-1 text-sm"
          placeholder="square on the …"
          value={name}
          maxLength={80}
          onChange={(e) => setName(e.target.value)}
        />
        <button
          type="button"
          className="button !px-3 !py-1 text-sm"
          disabled={!point || !normal || name.trim() === ''}
          title={point ? undefined : 'Click a face on the stage first'}
          onClick={() => {
            if (point && normal) add({ kind: 'face', name: name.trim(), point, normal });
            setName('');
          }}
        >
          Call the picked face
        </button>
      </div>
      <label className="flex items-center gap-2 text-sm">
        Order
        <select className="field !w-auto !py-1" value={goal.order} onChange={(e) => onChange({ ...goal, order: e.target.value as 'asGiven' | 'random' })}>
          <option value="asGiven">as listed</option>
          <option value="random">random, another each time</option>
        </select>
      </label>
    </>
  );
}

function OrbitFields({ goal, session, show, onChange }: Props<GoalOf<'followOrbit'>>) {
  const { recording, start, stop, replay } = useRecording(session);
  const [empty, setEmpty] = useState(false);
  const [range, setRange] = useState<readonly [number, number] | null>(null);
  const last = goal.path.at(-1)?.t ?? 0;
  const end = (): void => {
    const made = stop();
    setEmpty(!made);
    setRange(null);
    if (made) onChange({ ...goal, ...made });
  };
  const [from, to] = range ?? [0, last];
  return (
    <>
      <div className="mb-2 flex flex-wrap gap-2">
        <button type="button" className={recording ? 'button-main !py-2' : 'button'} onClick={recording ? end : start}>
          {recording ? 'Stop recording' : 'Record orbit'}
        </button>
        <button type="button" className="button" disabled={recording} onClick={() => replay(goal, show)}>
          Play it
        </button>
      </div>
      <p className="mb-2 text-ink-soft text-sm" aria-live="polite">
        {recording
          ? 'Recording: go round the model. What you grab is the pivot.'
          : empty
            ? 'Nothing moved while recording: the earlier line is kept.'
            : `The line takes ${last.toFixed(1)} s.`}
      </p>
      {!recording && last > 0.2 && (
        <div className="mb-3">
          <p className="mb-1 text-sm">
            Keep from <span className="font-mono">{from.toFixed(1)}</span> to <span className="font-mono">{to.toFixed(1)} s</span>
          </p>
          <Slider.Root
            className="relative flex h-6 w-full touch-none items-center"
            min={0}
            max={last}
            step={0.05}
            minStepsBetweenThumbs={2}
            value={[from, to]}
            onValueChange={([a = 0, b = last]) => setRange([a, b])}
          >
            <Slider.Track className="relative h-1.5 flex-1 rounded-full bg-bar">
              <Slider.Range className="absolute h-full rounded-full bg-amber" />
            </Slider.Track>
            <Slider.Thumb aria-label="Begin of the line" className="block h-5 w-5 rounded-full border-2 border-ink bg-card" />
            <Slider.Thumb aria-label="End of the line" className="block h-5 w-5 rounded-full border-2 border-ink bg-card" />
          </Slider.Root>
          <button
            type="button"
            className="button mt-2 !px-3 !py-1 text-sm"
            disabled={!range}
            onClick={() => {
              onChange({ ...goal, path: trimmed(goal, from, to) });
              setRange(null);
            }}
          >
            Trim
          </button>
        </div>
      )}
    </>
  );
}

function FrameFields({ goal, scene, mesh, onChange }: Props<GoalOf<'frameIt'>>) {
  const set = (side: keyof typeof goal.margins) => (value: number) => onChange({ ...goal, margins: { ...goal.margins, [side]: value / 100 } });
  return (
    <>
      <PartsField
        label="Subject: what must fill the frame"
        none="The whole model"
        parts={goal.subject}
        mesh={mesh}
        picked={scene.selection.parts}
        onChange={(subject) => onChange({ ...goal, subject })}
      />
      <p className="mb-1 font-semibold text-sm">Free space: drag the inner lines, or type</p>
      <div className="mb-3 grid grid-cols-2 gap-2">
        {(['left', 'right', 'top', 'bottom'] as const).map((side) => (
          <NumberField key={side} label={side} unit="%" max={90} value={Math.round(goal.margins[side] * 100)} onChange={set(side)} />
        ))}
      </div>
    </>
  );
}

function CutFields({ goal, scene, mesh, session, onChange }: Props<GoalOf<'cutToReveal'>>) {
  return (
    <>
      <div className="mb-2 flex flex-wrap gap-2">
        <button
          type="button"
          className="button-main !py-2"
          disabled={!scene.section}
          onClick={() => onChange({ ...goal, plane: session.getState().scene.section })}
        >
          Set section
        </button>
        {goal.plane && (
          <button type="button" className="button" onClick={() => onChange({ ...goal, plane: null })}>
            Any cut that shows the parts
          </button>
        )}
      </div>
      <p className="mb-2 text-ink-soft text-sm">
        {goal.plane
          ? `Target: cut at ${Math.round(goal.plane.offset * 1000)} mm along its normal.`
          : scene.section
            ? 'The cut on the stage can be the target.'
            : 'Point at a flat face and press K: the cut lies there. Then drag its arrow.'}
      </p>
      <PartsField
        label="Parts that must show"
        none="None"
        parts={goal.reveal}
        mesh={mesh}
        picked={scene.selection.parts}
        onChange={(reveal) => onChange({ ...goal, reveal })}
      />
    </>
  );
}

/** What a goal of its kind asks to be set. */
export function GoalFields(props: Props<Goal>) {
  const { goal } = props;
  if (goal.kind === 'matchView') return <MatchFields {...props} goal={goal} />;
  if (goal.kind === 'callView') return <CallFields {...props} goal={goal} />;
  if (goal.kind === 'followOrbit') return <OrbitFields {...props} goal={goal} />;
  if (goal.kind === 'frameIt') return <FrameFields {...props} goal={goal} />;
  return <CutFields {...props} goal={goal} />;
}
