import { COMMAND_GROUP_IDS } from '@core/exercise';
import { actionWords, type Binding, type Scheme, triggerWords } from '@core/input';
import { contextFor } from '@core/model';
import { initialScene } from '@core/navigation';
import { useKeyLabels } from '@web/ui/keyLabels';
import { Sheet } from '@web/ui/Sheet';
import { ArrowRight, Check } from 'lucide-react';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { useStore } from 'zustand';
import { PuckPanel } from '../puck/PuckPanel';
import { puckToSession } from '../puck/puckFeed';
import { createRecorder, type Recorder } from '../recorder';
import { StageView } from '../StageView';
import { useStage } from '../useStage';
import { ON_THE_FLOOR, practicePiece } from './practicePiece';
import { type Tried, triedOnce, triedWords } from './tried';

interface Props {
  readonly scheme: Scheme;
  /** The lines that can be gone through, as they stand on the card. */
  readonly lines: readonly Binding[];
  readonly line: Binding;
  readonly onLine: (line: Binding) => void;
  readonly onClose: () => void;
}

const NOTHING: Tried = { last: undefined, times: 0 };

const isPuck = ({ trigger }: Binding): boolean => trigger.kind === 'axes' || trigger.kind === 'puckButton';

/** A line of a scheme's card, tried on a piece that tells nothing of the exercise. Nothing of it is recorded. */
export function TrySheet({ scheme, lines, line, onLine, onClose }: Props) {
  const next = lines[(lines.indexOf(line) + 1) % lines.length];
  return (
    <Sheet open onOpenChange={(open) => !open && onClose()} title="Try it" about="On a piece to practise with: nothing here is recorded or scored." wide>
      <TryLine key={lines.indexOf(line)} scheme={scheme} line={line} onNext={next && next !== line ? () => onLine(next) : null} onClose={onClose} />
    </Sheet>
  );
}

function TryLine({
  scheme,
  line,
  onNext,
  onClose,
}: Pick<Props, 'scheme' | 'line' | 'onClose'> & {
  readonly onNext: (() => void) | null;
}) {
  const labels = useKeyLabels();
  const [tried, setTried] = useState<Tried>(NOTHING);
  const [{ prepared, home }] = useState(practicePiece);
  const session: Recorder = useMemo(
    () => createRecorder({ start: initialScene(home), context: contextFor({ mesh: prepared.mesh, home }), allowed: COMMAND_GROUP_IDS }),
    [prepared, home],
  );
  const onAnswered = useCallback((binding: Binding | null) => setTried((before) => triedOnce(before, binding, line)), [line]);
  const stage = useStage(prepared, session, scheme, { onAnswered });
  const { aids, handle } = stage;
  const standing = line.context === 'standing';
  useEffect(() => {
    if (standing && aids && !aids.getState().standing) aids.toggle('standing', ON_THE_FLOOR);
  }, [standing, aids]);
  // Keys are for the piece at once.
  useEffect(() => stage.canvas.current?.focus({ preventScroll: true }), [stage.canvas]);
  const refused = useStore(session, (s) => s.refused?.words ?? null);
  const puck = useMemo(() => puckToSession(session, scheme, onAnswered), [session, scheme, onAnswered]);
  return (
    <div className="flex gap-5 max-md:flex-col">
      <div className="flex h-[min(27rem,60vh)] min-w-0 flex-1 max-md:h-auto max-md:flex-none">
        <StageView stage={stage} label="Piece to practise with" />
      </div>
      <div className="flex w-64 shrink-0 flex-col gap-3 max-md:w-full">
        <p className="font-display font-semibold text-xl leading-tight">{actionWords(line)}</p>
        <p>
          <span className="rounded-md bg-ink px-2 py-0.5 font-mono text-paper">{triggerWords(line, labels)}</span>
        </p>
        <p role="status" className={tried.times > 0 ? 'flex items-center gap-2 font-semibold text-sea' : ''}>
          {tried.times > 0 && <Check size={20} aria-hidden="true" />}
          {triedWords(tried, line, labels)}
        </p>
        {refused && <p className="text-ink-soft text-sm">{refused}</p>}
        {isPuck(line) && <PuckPanel scheme={scheme} listener={puck} frames={handle?.renderer.frames} />}
        <div className="mt-auto flex flex-wrap gap-2">
          {onNext && (
            <button type="button" className="button-main" onClick={onNext}>
              Next line <ArrowRight size={16} aria-hidden="true" />
            </button>
          )}
          <button type="button" className="button" onClick={onClose}>
            Done
          </button>
        </div>
      </div>
    </div>
  );
}
