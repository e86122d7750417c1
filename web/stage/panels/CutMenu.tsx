import type { Mesh } from '@core/geometry';
import { type Scheme, shortcutFor } from '@core/input';
import type { Vec3 } from '@core/math';
import { centreOf } from '@core/model';
import type { Command, Scene } from '@core/navigation';
import { useKeyLabels } from '@web/ui/keyLabels';
import { Scissors } from 'lucide-react';
import { Popover } from 'radix-ui';
import { MAIN_CUTS, planeThrough } from './SectionPanel';

interface Props {
  readonly scene: Scene;
  readonly mesh: Mesh;
  readonly scheme: Scheme;
  readonly onCommand: (command: Command) => void;
}

/** PointerPlaces a cut: along the picked face, or along one of the three main directions through the picked point or the model's middle. */
export function CutMenu({ scene, mesh, scheme, onCommand }: Props) {
  const labels = useKeyLabels();
  const { point, normal } = scene.selection;
  const through = point ?? centreOf(mesh);
  const item = (words: string, wanted: Vec3 | undefined, shortcut: string | null = null) => (
    <Popover.Close
      key={words}
      className="flex w-full items-center justify-between gap-3 rounded-lg px-2.5 py-1.5 text-left text-sm hover:bg-bar disabled:opacity-50"
      disabled={!wanted}
      onClick={() => wanted && onCommand({ kind: 'section', plane: planeThrough(wanted, through) })}
    >
      {words}
      {shortcut && <span className="kbd">{shortcut}</span>}
    </Popover.Close>
  );
  return (
    <Popover.Root>
      <Popover.Trigger className="stage-button">
        <Scissors size={15} aria-hidden="true" /> Cut
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content align="start" sideOffset={6} aria-label="Cut" className="z-30 w-64 rounded-xl border-2 border-ink bg-card p-2 shadow-lg">
          {item('Along the picked face', normal, shortcutFor(scheme, { kind: 'atPointer', does: 'section' }, labels))}
          {MAIN_CUTS.map((cut) => item(cut.words, cut.normal))}
          <p className="px-2.5 pt-1 text-ink-soft text-xs">
            {point ? 'Through the picked point.' : 'Through the middle of the model: pick a point to cut there.'}
          </p>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
