import { ACTION_CATALOGUE, type Action, AXIS_NAMES, type PivotRule, type Scheme, wordsOfAction } from '@core/input';

type Options = Scheme['options'];

interface Props {
  readonly scheme: Scheme;
  readonly disabled: boolean;
  readonly onChange: (options: Options) => void;
}

const PIVOTS: readonly { id: PivotRule; words: string }[] = [
  { id: 'pointer', words: 'the point under the pointer' },
  { id: 'picked', words: 'the point picked last' },
  { id: 'selection', words: 'the middle of what is picked' },
  { id: 'visible', words: 'the middle of what is seen' },
  { id: 'target', words: 'the middle of the view' },
];
const DEGREE = Math.PI / 180;

/** How a scheme orbits, zooms and glides; the 3D mouse's own figures; the words of the near hand. */
export function OptionsForm({ scheme, disabled, onChange }: Props) {
  const { options } = scheme;
  const set = (change: Partial<Options>): void => onChange({ ...options, ...change });
  const without = (name: keyof Options): Options => Object.fromEntries(Object.entries(options).filter(([key]) => key !== name)) as Options;
  const number = (label: string, value: number, min: number, max: number, step: number, change: (value: number) => void) => (
    <label className="flex items-center justify-between gap-3 text-sm">
      {label}
      <input
        type="number"
        className="field !w-24 !py-1 text-right font-mono"
        value={Number(value.toFixed(3))}
        min={min}
        max={max}
        step={step}
        disabled={disabled}
        onChange={(e) => {
          const next = Number(e.target.value);
          if (Number.isFinite(next) && next >= min && next <= max) change(next);
        }}
      />
    </label>
  );
  const choice = <T extends string>(label: string, value: T, list: readonly { id: T; words: string }[], change: (value: T) => void) => (
    <label className="flex items-center justify-between gap-3 text-sm">
      {label}
      <select className="field !w-auto !py-1" value={value} disabled={disabled} onChange={(e) => change(e.target.value as T)}>
        {list.map(({ id, words }) => (
          <option key={id} value={id}>
            {words}
          </option>
        ))}
      </select>
    </label>
  );
  const puck = options.puck;
  const near = options.nearHand;
  const same = (a: Action, b: Action): boolean => JSON.stringify(a) === JSON.stringify(b);
  return (
    <fieldset className="grid gap-x-8 gap-y-2 md:grid-cols-2" disabled={disabled}>
      <legend className="sr-only">How it moves</legend>
      {choice(
        'Orbit',
        options.orbit,
        [
          { id: 'turntable', words: 'level' },
          { id: 'trackball', words: 'free' },
        ] as const,
        (orbit) => set({ orbit }),
      )}
      {choice('It turns about', options.pivot, PIVOTS, (pivot) => set({ pivot }))}
      {choice(
        'It zooms to',
        options.zoomTo,
        [
          { id: 'pointer', words: 'the pointer' },
          { id: 'target', words: 'the middle' },
        ] as const,
        (zoomTo) => set({ zoomTo }),
      )}
      {choice(
        'A drag zooms',
        options.zoomAxis ?? 'vertical',
        [
          { id: 'vertical', words: 'up and down' },
          { id: 'horizontal', words: 'right and left' },
        ] as const,
        (zoomAxis) => set({ zoomAxis }),
      )}
      {choice(
        'A jump is',
        options.glide === false ? 'instant' : 'glide',
        [
          { id: 'glide', words: 'drawn as a glide' },
          { id: 'instant', words: 'instant' },
        ] as const,
        (how) => set({ glide: how === 'glide' }),
      )}
      {choice(
        'A key that is held',
        options.accelerate ? 'gathers' : 'keeps',
        [
          { id: 'keeps', words: 'keeps its rate' },
          { id: 'gathers', words: 'gathers speed' },
        ] as const,
        (how) => set({ accelerate: how === 'gathers' }),
      )}
      {number('One notch of the wheel, times', options.notch, 1.01, 4, 0.05, (notch) => set({ notch }))}
      {number('Step of a turn, degrees', (options.step ?? 15 * DEGREE) / DEGREE, 1, 90, 1, (degrees) => set({ step: degrees * DEGREE }))}
      {number('Snap to a square view within, degrees (0: never)', (options.snapWithin ?? 0) / DEGREE, 0, 25, 1, (degrees) =>
        onChange(degrees > 0 ? { ...options, snapWithin: degrees * DEGREE } : without('snapWithin')),
      )}
      {puck && (
        <>
          {choice(
            'The cap moves',
            puck.moves,
            [
              { id: 'model', words: 'the model' },
              { id: 'camera', words: 'the camera' },
            ] as const,
            (moves) => set({ puck: { ...puck, moves } }),
          )}
          {choice(
            'Of several axes at once',
            puck.dominant ? 'farthest' : 'all',
            [
              { id: 'all', words: 'all count' },
              { id: 'farthest', words: 'only the one pushed farthest' },
            ] as const,
            (which) => set({ puck: { ...puck, dominant: which === 'farthest' } }),
          )}
          {number('Dead zone, share of the stroke', puck.deadZone, 0, 0.9, 0.01, (deadZone) => set({ puck: { ...puck, deadZone } }))}
          {number('Curve (1: straight, more: gentle near rest)', puck.curve, 0.2, 5, 0.1, (curve) => set({ puck: { ...puck, curve } }))}
          {AXIS_NAMES.map((axis, i) => (
            <div key={axis}>
              {number(`Gain of ${axis} (below 0: the other way)`, puck.gains[i] ?? 1, -5, 5, 0.1, (gain) =>
                set({ puck: { ...puck, gains: puck.gains.map((g, n) => (n === i ? gain : g)) as unknown as typeof puck.gains } }),
              )}
            </div>
          ))}
        </>
      )}
      {near && (
        <details className="md:col-span-2">
          <summary className="mt-2 font-semibold text-sm">Words of the near hand ({near.words.length} of 12)</summary>
          <div className="mt-1 flex flex-wrap gap-1.5">
            {ACTION_CATALOGUE.filter((action) => action.kind !== 'aid').map((action) => {
              const on = near.words.some((word) => same(word, action));
              return (
                <button
                  key={JSON.stringify(action)}
                  type="button"
                  aria-pressed={on}
                  disabled={disabled || (!on && near.words.length >= 12)}
                  className={`rounded-full border px-2.5 py-0.5 text-xs ${on ? 'border-ink bg-ink text-paper' : 'border-rule hover:border-ink'}`}
                  onClick={() => set({ nearHand: { ...near, words: on ? near.words.filter((word) => !same(word, action)) : [...near.words, action] } })}
                >
                  {wordsOfAction(action)}
                </button>
              );
            })}
          </div>
        </details>
      )}
    </fieldset>
  );
}
