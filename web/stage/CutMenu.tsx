import { boxOf, type Mesh } from '@core/geometry';
import { dot, type Vec3 } from '@core/math';
import type { Command, Scene } from '@core/navigation';
import { Scissors } from 'lucide-react';
import { Popover } from 'radix-ui';
import { MAIN_CUTS } from './SectionPanel';

interface Props {
  readonly scene: Scene;
  readonly mesh: Mesh;
  readonly onCommand: (command: Command) => void;
}

/** Places a cut: along the picked face, or along one of the three main directions through the picked point or the model's middle. */
export function CutMenu({ scene, mesh, onCommand }: Props) {
  const { point, normal } = scene.selection;
  const box = boxOf(mesh);
  const middle: Vec3 = box ? [(box.min[0] + box.max[0]) / 2, (box.min[1] + box.max[1]) / 2, (box.min[2] + box.max[2]) / 2] : [0, 0, 0];
  const through = point ?? middle;
  const item = (words: string, wanted: Vec3 | undefined) => (
    <Popover.Close
      key={words}
      className="block w-full rounded-lg px-2.5 py-1.5 text-left text-sm hover:bg-bar disabled:opacity-50"
      disabled={!wanted}
      onClick={() => wanted && onCommand({ kind: 'section', plane: { normal: wanted, offset: dot(wanted, through) } })}
    >
      {words}
    </Popover.Close>
  );
  return (
    <Popover.Root>
      <Popover.Trigger className="stage-button">
        <Scissors size={15} aria-hidden="true" /> Cut
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content align="start" sideOffset={6} aria-label="Cut" className="z-30 w-64 rounded-xl border-2 border-ink bg-card p-2 shadow-lg">
          {item('Along the picked face', normal)}
          {MAIN_CUTS.map((cut) => item(cut.words, cut.normal))}
          <p className="px-2.5 pt-1 text-ink-soft text-xs">
            {point ? 'Through the picked point.' : 'Through the middle of the model: pick a point to cut there.'}
          </p>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
