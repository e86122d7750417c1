import { plural } from '@core/advice';
import {
  ACTION_CATALOGUE,
  actionWords,
  addBinding,
  type Binding,
  CAPABILITIES,
  changeBinding,
  clearBinding,
  type FormerTrigger,
  findConflicts,
  leftWithout,
  mirrored,
  mismatch,
  type Scheme,
  setTrigger,
  shippedFor,
  swapBack,
  takenAway,
  triggerWords,
  unreachable,
  waitingClicks,
  wordsOfAction,
} from '@core/input';
import { useKeyLabels } from '@web/ui/keyLabels';
import { SearchField } from '@web/ui/SearchField';
import { useCallback, useMemo, useState } from 'react';
import { toast } from 'sonner';
import { CapturePad } from './CapturePad';
import type { Captured } from './capture';
import { OptionsForm } from './OptionsForm';

interface Props {
  readonly scheme: Scheme;
  readonly onChange: (scheme: Scheme) => void;
}

const WAYS: readonly { readonly invert: NonNullable<Binding['invert']>; readonly words: string }[] = [
  { invert: false, words: 'as the hand goes' },
  { invert: true, words: 'the other way' },
  { invert: 'across', words: 'other way across' },
  { invert: 'upDown', words: 'other way up and down' },
];

/** The bindings of one's own scheme: set by showing the gesture, with what gets in its way said at the row and put right there. */
export function SchemeEditor({ scheme, onChange }: Props) {
  const labels = useKeyLabels();
  const [setting, setSetting] = useState<number | 'new' | null>(null);
  const [adding, setAdding] = useState(0);
  const [text, setText] = useState('');
  // The gesture that a row had before it was set last, by its number.
  const [former, setFormer] = useState<{ readonly index: number; readonly before: FormerTrigger } | null>(null);
  // What a cleared row leaves without a gesture.
  const [left, setLeft] = useState<Binding | null>(null);
  const conflicts = useMemo(() => findConflicts(scheme), [scheme]);
  const beyond = useMemo(() => new Set(unreachable(scheme, CAPABILITIES[scheme.device])), [scheme]);
  const waiting = useMemo(() => waitingClicks(scheme), [scheme]);
  const action = ACTION_CATALOGUE[adding];

  const captured = useCallback(
    ({ trigger, modifiers }: Captured): void => {
      if (setting === null) return;
      const command = setting === 'new' ? action : scheme.bindings[setting]?.command;
      if (!command) return;
      const why = mismatch(trigger, command) ?? takenAway({ trigger, modifiers: [...modifiers] });
      if (why) {
        toast.error(why);
        return;
      }
      if (setting === 'new') {
        onChange(addBinding(scheme, command, trigger, modifiers));
        setLeft(null);
      } else {
        const before = scheme.bindings[setting];
        setFormer(before ? { index: setting, before } : null);
        onChange(setTrigger(scheme, setting, trigger, modifiers));
      }
      setSetting(null);
    },
    [setting, scheme, action, onChange],
  );
  const cancel = useCallback(() => setSetting(null), []);
  const clear = (index: number): void => {
    const gone = scheme.bindings[index];
    const next = clearBinding(scheme, index);
    // Rows behind it have other numbers now.
    setFormer(null);
    setLeft(gone && leftWithout(next, gone) ? gone : null);
    onChange(next);
  };
  /** Gives the other row what this one had before it took the other's gesture. */
  const swap = (index: number, other: number): void => {
    if (!former) return;
    onChange(swapBack(scheme, former.index === index ? other : index, former.before));
    setFormer(null);
  };

  const wanted = text.trim().toLowerCase();
  const rows = scheme.bindings
    .map((binding, index) => ({ binding, index, mine: conflicts.filter((c) => c.first === index || c.second === index) }))
    .filter(({ binding }) => !wanted || `${triggerWords(binding, labels)} ${actionWords(binding)}`.toLowerCase().includes(wanted))
    .sort((a, b) => Number(b.mine.length > 0 || beyond.has(b.binding)) - Number(a.mine.length > 0 || beyond.has(a.binding)));

  const troubles = (binding: Binding, index: number, mine: typeof conflicts) => (
    <>
      {mine.map((conflict) => {
        const other = conflict.first === index ? conflict.second : conflict.first;
        const otherBinding = scheme.bindings[other];
        return (
          <div key={`${conflict.first} ${conflict.second}`} role="alert" className="mt-1 rounded-lg bg-signal/10 px-3 py-2 text-sm">
            <p>
              <strong className="text-signal">In the way:</strong> {conflict.words}
              {otherBinding && <> (also: {actionWords(otherBinding)})</>}.
            </p>
            <div className="mt-1 flex flex-wrap gap-1.5">
              <button type="button" className="button !px-2.5 !py-0.5 text-xs" onClick={() => setSetting(index)}>
                Give this another
              </button>
              {conflict.kind === 'same' && former && (former.index === index || former.index === other) && (
                <button type="button" className="button !px-2.5 !py-0.5 text-xs" onClick={() => swap(index, other)}>
                  Swap the two
                </button>
              )}
              <button type="button" className="button !px-2.5 !py-0.5 text-xs" onClick={() => clear(other)}>
                Clear the other
              </button>
            </div>
          </div>
        );
      })}
      {beyond.has(binding) && (
        <p role="alert" className="mt-1 text-signal text-sm">
          This device cannot give “{triggerWords(binding, labels)}”: set another gesture, such as a key or a button that it has.
        </p>
      )}
    </>
  );

  return (
    <div>
      <div className="flex flex-wrap gap-2">
        <button type="button" className="button !py-1.5 text-sm" onClick={() => onChange(mirrored(scheme))}>
          Mirror for the other hand
        </button>
        <button
          type="button"
          className="button !py-1.5 text-sm"
          onClick={() => onChange({ ...scheme, bindings: shippedFor(scheme).bindings, options: shippedFor(scheme).options })}
        >
          Restore what ships for this device
        </button>
      </div>
      <div className="mt-4">
        <OptionsForm scheme={scheme} disabled={false} onChange={(options) => onChange({ ...scheme, options })} />
      </div>
      <h3 className="mt-6 text-lg">Bindings</h3>
      <p className="text-ink-soft text-sm" role="status">
        {scheme.bindings.length} bindings
        {conflicts.length > 0 ? `, ${plural(conflicts.length, 'pair')} in each other’s way: shown first` : ', none in another’s way'}
      </p>
      <div className="mt-2 flex flex-wrap items-end gap-2">
        <SearchField className="flex-1" label="Search the bindings" placeholder="What it does, or which gesture" value={text} onChange={setText} />
        <label className="block">
          <span className="sr-only">What to bind</span>
          <select className="field !w-60" value={adding} onChange={(e) => setAdding(Number(e.target.value))}>
            {ACTION_CATALOGUE.map((each, i) => (
              <option key={JSON.stringify(each)} value={i}>
                {wordsOfAction(each)}
              </option>
            ))}
          </select>
        </label>
        <button type="button" className="button" onClick={() => setSetting('new')}>
          Add a gesture for it
        </button>
      </div>
      {left && setting === null && (
        <p role="status" className="mt-2 flex flex-wrap items-center gap-2 rounded-lg bg-amber/15 px-3 py-2 text-sm">
          “{actionWords(left)}” has no gesture now.
          <button
            type="button"
            className="button !px-2.5 !py-0.5 text-xs"
            onClick={() => {
              setAdding(
                Math.max(
                  0,
                  ACTION_CATALOGUE.findIndex((each) => JSON.stringify(each) === JSON.stringify(left.command)),
                ),
              );
              setSetting('new');
            }}
          >
            Give it one
          </button>
        </p>
      )}
      {setting === 'new' && action && (
        <CapturePad words={wordsOfAction(action)} action={action} device={scheme.device} now={null} onCaptured={captured} onCancel={cancel} />
      )}
      <ul className="mt-3">
        {rows.map(({ binding, index, mine }) => (
          <li key={`${index} ${triggerWords(binding, labels)} ${binding.context}`} className="border-rule border-b py-1.5">
            <div className="flex items-center gap-3">
              <span className="flex-1">
                {actionWords(binding)}
                {binding.context === 'standing' && <span className="text-ink-soft text-sm"> (standing inside)</span>}
              </span>
              {binding.command.kind === 'move' && binding.command.does !== 'sixAxes' && (
                <>
                  <label className="flex items-center gap-1 text-sm">
                    <span className="sr-only">{actionWords(binding)}: how strongly</span>×
                    <input
                      type="number"
                      className="field !w-16 !px-1.5 !py-0.5 text-right font-mono text-sm"
                      min={0.1}
                      max={10}
                      step={0.1}
                      value={binding.gain ?? 1}
                      onChange={(e) => {
                        const gain = Number(e.target.value);
                        if (gain >= 0.1 && gain <= 10) onChange(changeBinding(scheme, index, { gain }));
                      }}
                    />
                  </label>
                  <label className="text-sm">
                    <span className="sr-only">{actionWords(binding)}: as the hand goes, or the other way</span>
                    <select
                      className="field !w-auto !py-0.5 text-sm"
                      value={String(binding.invert ?? false)}
                      onChange={(e) => onChange(changeBinding(scheme, index, { invert: WAYS[Number(e.target.selectedIndex)]?.invert ?? false }))}
                    >
                      {WAYS.map(({ invert, words }) => (
                        <option key={words} value={String(invert)}>
                          {words}
                        </option>
                      ))}
                    </select>
                  </label>
                </>
              )}
              <button
                type="button"
                className="whitespace-nowrap rounded-md bg-ink px-2 font-mono text-paper text-xs leading-6 hover:bg-sea"
                aria-label={`Set ${actionWords(binding)}: now ${triggerWords(binding, labels)}`}
                onClick={() => setSetting(index)}
              >
                {triggerWords(binding, labels)}
              </button>
              <button
                type="button"
                className="button-quiet text-xs"
                aria-label={`Clear ${actionWords(binding)}: ${triggerWords(binding, labels)}`}
                onClick={() => clear(index)}
              >
                Clear
              </button>
            </div>
            {setting === index && (
              <CapturePad words={actionWords(binding)} action={binding.command} device={scheme.device} now={binding} onCaptured={captured} onCancel={cancel} />
            )}
            {troubles(binding, index, mine)}
            {waiting.has(index) && <p className="text-ink-soft text-xs">{waiting.get(index)}</p>}
          </li>
        ))}
      </ul>
    </div>
  );
}
