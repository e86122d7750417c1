import type { Mesh } from '@core/geometry';
import { type Scheme, shortcutFor } from '@core/input';
import type { Vec3 } from '@core/math';
import { centreOf } from '@core/model';
import type { Command, Scene } from '@core/navigation';
import { useKeyLabels } from '@web/ui/keyLabels';
import { Scissors } from 'lucide-react';
import { MAIN_CUTS, planeThrough } from './mainCuts';
import { StageMenu } from './StageMenu';

interface Props {
  readonly scene: Scene;
  readonly mesh: Mesh;
  readonly scheme: Scheme;
  readonly onCommand: (command: Command) => void;
}

/** Places a cut: along the picked face, or along one of the three main directions through the picked point or the model's middle. */
export function CutMenu({ scene, mesh, scheme, onCommand }: Props) {
  const labels = useKeyLabels();
  const { point, normal } = scene.selection;
  const through = point ?? centreOf(mesh);
  const item = (close: () => void, words: string, wanted: Vec3 | undefined, shortcut: string | null = null) => (
    <button
      key={words}
      type="button"
      className="flex w-full items-center justify-between gap-3 rounded-lg px-2.5 py-1.5 text-left text-sm hover:bg-bar disabled:opacity-50"
      disabled={!wanted}
      onClick={() => {
        if (wanted) onCommand({ kind: 'section', plane: planeThrough(wanted, through) });
        close();
      }}
    >
      {words}
      {shortcut && <span className="kbd">{shortcut}</span>}
    </button>
  );
  return (
    <StageMenu label="Cut" tip="Cut the model open along a face or a main direction" icon={<Scissors size={15} aria-hidden="true" />} width="w-64">
      {(close) => (
        <>
          {item(close, 'Along the picked face', normal, shortcutFor(scheme, { kind: 'atPointer', does: 'section' }, labels))}
          {MAIN_CUTS.map((cut) => item(close, cut.words, cut.normal))}
          <p className="px-2.5 pt-1 text-ink-soft text-xs">
            {point ? 'Through the picked point.' : 'Through the middle of the model: pick a point to cut there.'}
          </p>
        </>
      )}
    </StageMenu>
  );
}
