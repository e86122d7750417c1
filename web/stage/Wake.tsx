import { type Scheme, shortcutFor } from '@core/input';
import type { Command } from '@core/navigation';
import { byInterface } from '@core/trace';
import type { View } from '@core/view';
import { useKeyLabels } from '@web/ui/keyLabels';
import { ChevronLeft, ChevronRight } from 'lucide-react';
import { useEffect, useMemo, useRef, useState } from 'react';
import { useStore } from 'zustand';
import type { Fix, Recorder } from './recorder';
import type { Stage } from './useStage';

interface Props {
  readonly fixes: readonly Fix[];
  readonly at: number;
  readonly pictureOf: ((view: View) => Promise<string>) | null;
  readonly onGo: (steps: number) => void;
  readonly enabled: boolean;
  readonly scheme: Scheme;
}

const SHOWN = 9;

/** The wake: one fix a gesture. Hover or focus one to see its picture; press it to go back there. */
export function Wake({ fixes, at, pictureOf, onGo, enabled, scheme }: Props) {
  const labels = useKeyLabels();
  const [peek, setPeek] = useState<{ index: number; picture: string } | null>(null);
  const wanted = useRef(-1);
  // How far one has looked back along the wake, in fixes; a new fix brings the present one into sight again.
  const [back, setBack] = useState(0);
  useEffect(() => {
    setPeek(null);
    setBack(0);
  }, [fixes]);
  const first = Math.max(0, Math.min(at - SHOWN + 2, fixes.length - SHOWN) - back);
  const after = fixes.length - first - SHOWN;
  const shown = fixes.slice(first, first + SHOWN);

  const look = async (index: number): Promise<void> => {
    wanted.current = index;
    const fix = fixes[index];
    if (!fix || !pictureOf || index === at) return;
    const picture = await pictureOf(fix.view);
    if (wanted.current === index) setPeek({ index, picture });
  };
  /** The key that goes to the fix before or after this one. */
  const shortcutTo = (index: number): string | null => {
    if (Math.abs(index - at) !== 1) return null;
    return shortcutFor(scheme, { kind: 'command', command: { kind: index < at ? 'back' : 'forward' } }, labels);
  };
  const leave = (): void => {
    wanted.current = -1;
    setPeek(null);
  };

  return (
    <nav aria-label="Wake: views you came through" data-note="wake" className="relative h-11">
      <div className="absolute top-2 right-2 left-2 border-ink/40 border-t border-dotted" />
      <ol className="relative flex h-full justify-start gap-0">
        {first > 0 && (
          <li className="flex shrink-0 items-start">
            <button
              type="button"
              className="button-quiet !px-1 text-xs"
              aria-label={`${first} earlier ${first === 1 ? 'view' : 'views'}`}
              onClick={() => setBack(back + SHOWN - 1)}
            >
              <ChevronLeft size={14} aria-hidden="true" />
              {first}
            </button>
          </li>
        )}
        {shown.map((fix, i) => {
          const index = first + i;
          const present = index === at;
          return (
            <li key={`${index}`} className="relative flex w-24 shrink-0 flex-col items-center">
              {index < at && <span className="absolute top-[7px] left-1/2 h-0.5 w-full bg-ink" aria-hidden="true" />}
              <button
                type="button"
                disabled={present || !enabled}
                aria-current={present ? 'step' : undefined}
                aria-label={present ? `Here: ${fix.label}` : `Go back to ${fix.label}, view ${index + 1}`}
                className="group relative z-10 flex flex-col items-center rounded focus-visible:outline-2 focus-visible:outline-sea"
                onClick={() => onGo(index - at)}
                onPointerEnter={() => look(index)}
                onPointerLeave={leave}
                onFocus={() => look(index)}
                onBlur={leave}
              >
                <span
                  className={present ? 'block h-4 w-4 rounded-full bg-ink' : 'block h-4 w-4 rounded-full border-2 border-ink bg-paper group-hover:bg-amber'}
                />
                <span className={`max-w-22 truncate text-xs ${present ? 'font-bold' : index > at ? 'text-ink-soft' : ''}`}>{present ? 'now' : fix.label}</span>
              </button>
              {peek?.index === index && (
                <figure className="pointer-events-none absolute bottom-12 z-30 w-48 max-w-none overflow-hidden rounded-md border-2 border-ink bg-paper shadow-lg">
                  <img src={peek.picture} alt={`View at ${fix.label}`} />
                  {shortcutTo(index) && (
                    <figcaption className="border-ink border-t px-2 py-0.5 text-xs">
                      Go here: <span className="kbd !leading-5">{shortcutTo(index)}</span>
                    </figcaption>
                  )}
                </figure>
              )}
            </li>
          );
        })}
        {after > 0 && (
          <li className="flex shrink-0 items-start">
            <button
              type="button"
              className="button-quiet !px-1 text-xs"
              aria-label={`${after} later ${after === 1 ? 'view' : 'views'}`}
              onClick={() => setBack(back - SHOWN + 1)}
            >
              {after}
              <ChevronRight size={14} aria-hidden="true" />
            </button>
          </li>
        )}
      </ol>
    </nav>
  );
}

/** The wake of a stage's own recorder. */
export function StageWake({ stage, enabled }: { readonly stage: Stage; readonly enabled: boolean }) {
  const { session, handle, scheme } = stage;
  const pictureOf = useMemo(() => (handle && session ? (view: View) => handle.pictureOf({ ...session.getState().scene, view }, 384) : null), [handle, session]);
  return <div className="mt-2">{session && <RecorderWake session={session} pictureOf={pictureOf} enabled={enabled} scheme={scheme} />}</div>;
}

function RecorderWake({ session, ...props }: { readonly session: Recorder } & Pick<Props, 'pictureOf' | 'enabled' | 'scheme'>) {
  const { fixes, at } = useStore(session);
  const go = (steps: number): void => {
    const commands = Array.from({ length: Math.abs(steps) }, (): Command => ({ kind: steps < 0 ? 'back' : 'forward' }));
    session.perform(commands, byInterface(session.newGesture(), 'wake'));
  };
  return <Wake {...props} fixes={fixes} at={at} onGo={go} />;
}
