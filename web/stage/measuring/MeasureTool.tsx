import type { Landmark } from '@core/exercise';
import { type FeaturePick, MEASURES, type MeasureKind, measuredWords } from '@core/geometry';
import type { View } from '@core/view';
import { useLatest } from '@web/ui/useLatest';
import { X } from 'lucide-react';
import { useEffect, useMemo } from 'react';
import { createPortal } from 'react-dom';
import { useStore } from 'zustand';
import type { Aids } from '../aids';
import type { Prepared } from '../prepared';
import type { Probes } from '../probing/probes';
import type { Recorder } from '../recorder';
import { MeasureMarks } from './MeasureMarks';
import { createMeasuring, FILTERS, type MeasuredListener } from './measuring';

interface Props {
  readonly session: Recorder;
  readonly prepared: Prepared;
  readonly probes: Probes;
  readonly aids: Aids;
  readonly view: View;
  /** Where the panel stands: over all of the stage, while the marks stand over the free view. */
  readonly panel: HTMLElement | null;
  readonly landmarks: readonly Landmark[];
  readonly onMeasured: MeasuredListener | undefined;
}

const WORDS: Record<MeasureKind, string> = { distance: 'Distance', diameter: 'Diameter', spacing: 'Spacing', angle: 'Angle' };
const AS: Record<FeaturePick['as'], string> = { face: 'flat faces', edge: 'edges', point: 'points', hole: 'holes and rounds' };

/** Measures between what is picked: the panel with what is measured and what may be picked, and the marks on the stage. */
export function MeasureTool({ session, prepared, probes, aids, view, panel, landmarks, onMeasured }: Props) {
  const asked = useStore(aids, (s) => s.asked);
  const heard = useLatest(onMeasured);
  const measuring = useMemo(
    () =>
      createMeasuring({
        session,
        mesh: prepared.mesh,
        nearest: probes.nearest,
        asked: () => aids.getState().asked,
        onMeasured: (made, of) => {
          heard.current?.(made, of);
          // What was asked for is measured: the next is chosen beside the stage.
          if (of) aids.setState({ asked: null });
        },
      }),
    [session, prepared, probes, aids, heard],
  );
  // Not while it is drawn: what is drawn and thrown away again would go on taking picks.
  useEffect(() => measuring.listen(), [measuring]);
  useEffect(() => {
    if (asked) measuring.setWhat(asked.what);
  }, [asked, measuring]);
  useEffect(() => {
    const key = (event: KeyboardEvent): void => {
      if (event.key !== 'Escape' || event.defaultPrevented || document.querySelector('[role=dialog]')) return;
      event.preventDefault();
      if (!measuring.back()) aids.measure(null);
    };
    window.addEventListener('keydown', key);
    return () => window.removeEventListener('keydown', key);
  }, [measuring, aids]);
  const { what, as, first, kept, words } = useStore(measuring);
  const choices = FILTERS[what];
  return (
    <>
      <MeasureMarks mesh={prepared.mesh} view={view} first={first} kept={kept} />
      {panel &&
        createPortal(
          <section
            aria-label="Measure"
            className="pointer-events-auto absolute top-2 right-2 z-20 w-60 rounded-lg border border-ink bg-card p-3 text-sm shadow-lg max-md:fixed max-md:inset-x-3 max-md:top-auto max-md:bottom-3 max-md:w-auto"
          >
            <div className="flex items-center justify-between">
              <h2 className="text-base first-letter:uppercase">{asked ? asked.name : 'Measure'}</h2>
              <button type="button" aria-label="Put the measure away" onClick={() => aids.measure(null)}>
                <X size={16} aria-hidden="true" />
              </button>
            </div>
            {!asked && (
              <div className="mt-2 grid grid-cols-2 gap-1">
                {MEASURES.map((kind) => (
                  <button
                    key={kind}
                    type="button"
                    aria-pressed={kind === what}
                    className={`rounded-md border px-2 py-1 ${kind === what ? 'border-ink bg-ink text-paper' : 'border-rule'}`}
                    onClick={() => measuring.setWhat(kind)}
                  >
                    {WORDS[kind]}
                  </button>
                ))}
              </div>
            )}
            {choices.length > 1 && (
              <label className="mt-2 flex items-center gap-2">
                <span className="shrink-0">Pick only</span>
                <select className="field !py-1 text-sm" value={as} onChange={(e) => measuring.setAs(e.target.value as FeaturePick['as'])}>
                  {choices.map((choice) => (
                    <option key={choice} value={choice}>
                      {AS[choice]}
                    </option>
                  ))}
                </select>
              </label>
            )}
            {!asked && what === 'distance' && landmarks.length > 0 && (
              <select
                aria-label="From a landmark"
                className="field !py-1 mt-2 text-sm"
                value=""
                onChange={(e) => {
                  const found = landmarks.find(({ name }) => name === e.target.value);
                  if (found) measuring.from(found);
                }}
              >
                <option value="">From a landmark …</option>
                {landmarks.map(({ name }) => (
                  <option key={name}>{name}</option>
                ))}
              </select>
            )}
            <p className="mt-2" aria-live="polite">
              {words}
            </p>
            {kept.length > 0 && (
              <ul className="mt-2 space-y-1 border-rule border-t pt-2">
                {kept.map(({ id, what: kind, value }) => (
                  <li key={id} className="flex items-center gap-2">
                    <span className="flex-1">{WORDS[kind]}</span>
                    <span className="font-mono">{measuredWords(kind, value)}</span>
                    <button type="button" aria-label={`Take away: ${WORDS[kind]} ${measuredWords(kind, value)}`} onClick={() => measuring.remove(id)}>
                      <X size={14} aria-hidden="true" />
                    </button>
                  </li>
                ))}
              </ul>
            )}
            <p className="mt-2 text-ink-soft text-xs">Escape takes the last one away.</p>
          </section>,
          panel,
        )}
    </>
  );
}
