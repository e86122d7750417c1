import type { Part } from '@core/geometry';
import { type Action, type Scheme, shortcutFor, wordsOfAction } from '@core/input';
import type { Command, Scene } from '@core/navigation';
import type { LandmarkSeen } from '@server/services/landmarks';
import { useKeyLabels } from '@web/ui/keyLabels';
import { SearchField } from '@web/ui/SearchField';
import { Tip } from '@web/ui/Tip';
import { MapPin, X } from 'lucide-react';
import { useEffect, useState } from 'react';
import { PartTree } from './PartTree';

interface Props {
  readonly parts: readonly Part[];
  readonly landmarks: readonly LandmarkSeen[];
  readonly scene: Scene;
  readonly scheme: Scheme;
  readonly onCommand: (command: Command) => void;
  readonly onClose: () => void;
}

/** The parts whose names hold the words, with all that is above them, so that they can be found in the tree. */
export function matching(parts: readonly Part[], words: string): Part[] {
  const wanted = words.trim().toLowerCase();
  if (!wanted) return [...parts];
  const byId = new Map(parts.map((part) => [part.id, part]));
  const keep = new Set<string>();
  for (const part of parts) {
    if (!part.name.toLowerCase().includes(wanted)) continue;
    for (let at: Part | undefined = part; at && !keep.has(at.id); at = at.parent === null ? undefined : byId.get(at.parent)) keep.add(at.id);
  }
  return parts.filter((part) => keep.has(part.id));
}

const FRAME_PICKED: Command = { kind: 'fit', what: 'selection' };
const SHOW_ALL: Command = { kind: 'showAll' };

/** Picking a landmark: its part, and for a face or a point the place itself, so that one can turn about it and look square at it. */
export const pickOf = ({ kind, part, point, normal }: LandmarkSeen): Command => ({
  kind: 'select',
  parts: [part],
  ...(kind === 'part' ? {} : { point, normal }),
});

/** The part tree over the stage: finds a part or a landmark by name, picks it, frames it, and hides, isolates or makes it glass. */
export function PartsPanel({ parts, landmarks, scene, scheme, onCommand, onClose }: Props) {
  const labels = useKeyLabels();
  const [words, setWords] = useState('');
  const picked = scene.selection.parts;
  const found = matching(parts, words);
  const marks = landmarks.filter((mark) => mark.name.toLowerCase().includes(words.trim().toLowerCase()));
  useEffect(() => {
    // A pick on the stage is shown in the tree.
    if (picked[0]) document.querySelector(`[data-part="${CSS.escape(picked[0])}"]`)?.scrollIntoView({ block: 'nearest' });
  }, [picked]);
  const act = (words: string, command: Command, same: Action | null, always = false) => (
    <Tip words={same ? wordsOfAction(same) : words} shortcut={same && shortcutFor(scheme, same, labels)}>
      <button type="button" className="button !px-2 !py-0.5 text-xs" disabled={!always && picked.length === 0} onClick={() => onCommand(command)}>
        {words}
      </button>
    </Tip>
  );
  return (
    <section aria-label="Parts" className="absolute top-2 bottom-2 left-2 z-10 flex w-60 flex-col rounded-xl border-2 border-ink bg-card p-3 shadow-lg">
      <div className="flex items-center justify-between">
        <h2 className="text-sm">Parts</h2>
        <button type="button" aria-label="Put the parts away" className="grid h-7 w-7 place-items-center rounded-full hover:bg-bar" onClick={onClose}>
          <X size={15} aria-hidden="true" />
        </button>
      </div>
      <SearchField compact className="mt-1" label="Find a part" placeholder="Find a part" value={words} onChange={setWords} />
      <div className="mt-2 flex flex-wrap gap-1">
        {act('Frame', FRAME_PICKED, { kind: 'command', command: FRAME_PICKED })}
        {act('Hide', { kind: 'show', parts: [...picked], state: 'hidden' }, { kind: 'selection', does: 'hide' })}
        {act('Glass', { kind: 'show', parts: [...picked], state: 'glass' }, { kind: 'selection', does: 'glass' })}
        {act('Show', { kind: 'show', parts: [...picked], state: 'shown' }, null)}
        {act('Isolate', { kind: 'isolate', parts: [...picked] }, { kind: 'selection', does: 'isolate' })}
        {act('Show all', SHOW_ALL, { kind: 'command', command: SHOW_ALL }, true)}
      </div>
      <div className="mt-2 min-h-0 flex-1 overflow-auto">
        {marks.length > 0 && (
          <ul aria-label="Landmarks" className="mb-2 border-rule border-b pb-2">
            {marks.map((mark) => (
              <li key={mark.id}>
                <button
                  type="button"
                  className="flex items-center gap-1.5 rounded px-1.5 py-0.5 text-left text-sm hover:bg-bar"
                  onClick={() => onCommand(pickOf(mark))}
                  onDoubleClick={() => {
                    onCommand(pickOf(mark));
                    onCommand(mark.kind === 'part' ? { kind: 'fit', what: 'selection' } : { kind: 'centre', point: mark.point });
                  }}
                >
                  <MapPin size={14} aria-hidden="true" /> {mark.name}
                </button>
              </li>
            ))}
          </ul>
        )}
        <PartTree
          parts={found}
          picked={picked}
          visibility={scene.visibility}
          open={words.trim() !== ''}
          onPick={(id) => onCommand({ kind: 'select', parts: [id] })}
          onFrame={(id) => {
            onCommand({ kind: 'select', parts: [id] });
            onCommand({ kind: 'fit', what: 'selection' });
          }}
        />
        {found.length === 0 && marks.length === 0 && <p className="text-ink-soft text-sm">No part is called “{words.trim()}”.</p>}
      </div>
    </section>
  );
}
