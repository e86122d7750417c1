import { diagonalOf, type Placed, partName, SHAPES, type Shape } from '@core/geometry';
import type { GoalOf } from '@core/goals';
import { MOST_ITEMS } from '@core/goals/findIt/kind';
import { addScaled, type Vec3 } from '@core/math';
import type { Scene } from '@core/navigation';
import { NumberField } from '@web/ui/fields';
import { X } from 'lucide-react';
import { useState } from 'react';
import type { FieldsProps } from '../goalParts';
import { LandmarkField } from '../LandmarkField';
import { nextId } from '../nextId';
import { PartSelect } from '../PartSelect';
import { turnFrom, turnsOf } from './turning';

type FindIt = GoalOf<'findIt'>;
type Item = FindIt['items'][number];

/** An object begins with this share of the model's diagonal. */
const SHARE = 0.06;

/** A length to two digits, so that it reads well where it is typed on. */
const rounded = (length: number): number => Number(length.toPrecision(2));

/** Where the middle of an object is that stands on a picked spot: on the surface, not in it. Null: no spot is picked. */
const placeOn = ({ point, normal }: Scene['selection'], size: number): Vec3 | null => (point && normal ? addScaled(point, normal, size / 2) : (point ?? null));

/** One sought thing: its name, and how an object stands. */
function ItemRow({
  item,
  number,
  picked,
  onChange,
  onRemove,
}: {
  readonly item: Item;
  readonly number: number;
  /** What is picked on the stage. */
  readonly picked: Scene['selection'];
  readonly onChange: (item: Item) => void;
  readonly onRemove: () => void;
}) {
  const object = item.of === 'object' ? item.object : null;
  const place = object && placeOn(picked, object.size);
  const change = (next: Partial<Placed>): void => {
    if (item.of === 'object') onChange({ ...item, object: { ...item.object, ...next } });
  };
  const turned = object ? turnsOf(object.turn) : { round: 0, over: 0 };
  const turn = (next: typeof turned): void => {
    change({ turn: turnFrom(next) });
  };
  return (
    <li className="rounded-md bg-bar px-3 py-2 text-sm">
      <div className="flex items-center gap-2">
        <input
          aria-label={`Name of thing ${number}`}
          className="field !py-1 min-w-0 flex-1 text-sm"
          value={item.name}
          maxLength={60}
          onChange={(e) => onChange({ ...item, name: e.target.value })}
        />
        <span className="text-ink-soft">{item.of === 'object' ? item.object.shape : 'part'}</span>
        <button type="button" aria-label={`Remove thing ${number}`} onClick={onRemove}>
          <X size={15} aria-hidden="true" />
        </button>
      </div>
      {object && (
        <div className="mt-2 flex flex-wrap items-end gap-x-3 gap-y-2">
          <NumberField label="Size" unit="mm" min={0.01} max={1e6} value={rounded(object.size * 1000)} onChange={(size) => change({ size: size / 1000 })} />
          <NumberField label="Turned" unit="°" min={-360} max={360} value={turned.round} onChange={(round) => turn({ ...turned, round })} />
          <NumberField label="Tipped" unit="°" min={-360} max={360} value={turned.over} onChange={(over) => turn({ ...turned, over })} />
          <button
            type="button"
            className="button-quiet text-sm"
            disabled={!place}
            title={place ? undefined : 'Click a spot on the stage first'}
            onClick={() => place && change({ point: place })}
          >
            Move to the picked spot
          </button>
        </div>
      )}
    </li>
  );
}

export function FindItFields({ goal, scene, mesh, landmarks, onChange }: FieldsProps<FindIt>) {
  const [shape, setShape] = useState<Shape>('ball');
  const { parts } = scene.selection;
  const size = (mesh && rounded(diagonalOf(mesh) * SHARE)) || 0.1;
  const place = placeOn(scene.selection, size);
  const full = goal.items.length >= MOST_ITEMS;
  const add = (...items: Item[]): void => onChange({ ...goal, items: [...goal.items, ...items].slice(0, MOST_ITEMS) });
  const known = new Set(mesh?.parts.map(({ id }) => id));
  const pickable = parts.filter((part) => known.has(part) && !goal.items.some((item) => item.of === 'part' && item.part === part));
  const addParts = (ids: readonly string[]): void => {
    let items = goal.items;
    for (const part of ids) items = [...items, { id: nextId('item', items), name: partName(mesh?.parts ?? [], part), of: 'part', part }];
    onChange({ ...goal, items: items.slice(0, MOST_ITEMS) });
  };
  return (
    <>
      {goal.items.length === 0 && <p className="mb-2 text-ink-soft text-sm">Nothing is sought yet: name a part, or place an object.</p>}
      <ul className="mb-2 space-y-1.5">
        {goal.items.map((item, i) => (
          <ItemRow
            key={item.id}
            item={item}
            number={i + 1}
            picked={scene.selection}
            onChange={(next) => onChange({ ...goal, items: goal.items.map((old, n) => (n === i ? next : old)) })}
            onRemove={() => onChange({ ...goal, items: goal.items.filter((_, n) => n !== i) })}
          />
        ))}
      </ul>
      <div className="mb-2 flex gap-2">
        <select aria-label="Shape" className="field !w-auto !py-1 text-sm" value={shape} onChange={(e) => setShape(e.target.value as Shape)}>
          {SHAPES.map((name) => (
            <option key={name}>{name}</option>
          ))}
        </select>
        <button
          type="button"
          className="button-main !py-2"
          disabled={full || !place}
          title={place ? undefined : 'Click a spot on the stage first'}
          onClick={() => {
            if (!place) return;
            add({ id: nextId('item', goal.items), name: `the ${shape}`, of: 'object', object: { shape, point: place, turn: [0, 0, 0, 1], size } });
          }}
        >
          Place it at the picked spot
        </button>
      </div>
      <div className="mb-3 flex gap-2">
        <button type="button" className="button !px-3 !py-1 text-sm" disabled={full || pickable.length === 0} onClick={() => addParts(pickable)}>
          Seek what is picked
        </button>
        <PartSelect label="Seek a part" words="A part from the list …" mesh={mesh} disabled={full} onChoose={(part) => addParts([part])} />
      </div>
      <LandmarkField
        label="Seek a landmark"
        words="A landmark …"
        landmarks={full ? [] : landmarks.filter(({ name }) => !goal.items.some((item) => item.name === name))}
        onChoose={({ name, part }) => add({ id: nextId('item', goal.items), name, of: 'part', part })}
      />
      <p className="text-ink-soft text-sm">
        {full
          ? `${MOST_ITEMS} things are the most that one step takes.`
          : 'Names are told in Practise, places are not. A placed object is turned, tipped and sized by its rings and knobs on the stage, or here.'}
      </p>
    </>
  );
}
