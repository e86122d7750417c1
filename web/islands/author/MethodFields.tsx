import type { Criterion } from '@core/criteria';
import { COMMAND_GROUP_IDS, COMMAND_GROUPS, type Step } from '@core/exercise';
import { diagonalOf, type Mesh } from '@core/geometry';
import { aimOf } from '@core/goals';
import { HAND_WORDS, HANDS, type Hand } from '@core/input';
import type { Scene } from '@core/navigation';
import { groupsOf, kindsIn } from '@web/goals/methodWords';
import { Choice, NumberField, Tick } from '@web/ui/fields';

type Method = NonNullable<Step['method']>;

/** A pivot may lie this share of the model's diagonal off its point, to begin with. */
const WITHIN = 0.05;
const HAND_CHOICES = HANDS.map((id) => ({ id, label: HAND_WORDS[id] }));

const judges = (criteria: readonly Criterion[], id: Criterion['id']): boolean => criteria.some((c) => c.id === id);

const rounded = (metres: number): number => Number(metres.toPrecision(2));

/** What a method has to say once it is judged: about the picked point or the line's own, with keys. */
export function withMethod(step: Step, criteria: readonly Criterion[], mesh: Mesh | null, scene: Scene | undefined): Pick<Step, 'criteria' | 'method'> {
  const method: Method = { ...step.method };
  if (judges(criteria, 'pivotMissed') && !method.pivot) {
    const point = aimOf(step).line?.pivot ?? scene?.selection.point ?? scene?.view.target;
    if (point) method.pivot = { point, within: rounded((mesh ? diagonalOf(mesh) : 1) * WITHIN) };
  }
  if (judges(criteria, 'byHand') && !method.hand) method.hand = { kinds: kindsIn(['standard']), by: 'keys' };
  return { criteria: [...criteria], ...(method.pivot || method.hand ? { method } : {}) };
}

interface Props {
  readonly step: Step;
  readonly scene: Scene;
  readonly onChange: (method: Method) => void;
}

/** How a step has to be done, as far as it is judged by it. */
export function MethodFields({ step: { method, criteria }, scene, onChange }: Props) {
  const { pivot, hand } = method ?? {};
  const picked = scene.selection.point;
  return (
    <>
      {pivot && judges(criteria, 'pivotMissed') && (
        <fieldset className="mt-3">
          <legend className="mb-1 font-semibold text-sm">Turn about which point</legend>
          <p className="mb-1 text-sm">
            Marked on the stage, at <span className="font-mono text-xs">{pivot.point.map((x) => x.toFixed(2)).join(', ')} m</span>
          </p>
          <NumberField
            label="How far off a turn may go"
            unit="m"
            min={0.0001}
            value={pivot.within}
            onChange={(within) => onChange({ ...method, pivot: { ...pivot, within } })}
          />
          <button
            type="button"
            className="button-quiet text-sm"
            disabled={!picked}
            title={picked ? undefined : 'Click a spot on the stage first'}
            onClick={() => picked && onChange({ ...method, pivot: { ...pivot, point: picked } })}
          >
            Take the picked spot
          </button>
        </fieldset>
      )}
      {hand && judges(criteria, 'byHand') && (
        <fieldset className="mt-3">
          <legend className="mb-1 font-semibold text-sm">What has to be done with what</legend>
          <div className="mb-2 grid grid-cols-2">
            {COMMAND_GROUP_IDS.map((group) => {
              const named = groupsOf(hand.kinds);
              const next = named.includes(group) ? named.filter((one) => one !== group) : [...named, group];
              return (
                <Tick
                  key={group}
                  label={COMMAND_GROUPS[group].label}
                  checked={named.includes(group)}
                  // One at least is named.
                  onChange={() => next.length > 0 && onChange({ ...method, hand: { ...hand, kinds: kindsIn(next) } })}
                />
              );
            })}
          </div>
          <Choice<Hand> label="With" value={hand.by} options={HAND_CHOICES} onChange={(by) => onChange({ ...method, hand: { ...hand, by } })} />
        </fieldset>
      )}
    </>
  );
}
