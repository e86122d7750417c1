import { innerBox } from '@core/measures';
import { FRAME_VIEW_BOX, rectangleOf } from '@web/ui/frameUnits';
import type { CardDetailProps } from '../goalParts';
import { StepPictures } from '../StepPictures';

/** The subject's outline in the asked frame, laid over one's own picture, and what its lines mean. */
export function FrameItDetail(props: CardDetailProps) {
  const { detail } = props;
  if (detail?.kind !== 'frame') return <StepPictures {...props} />;
  const inner = innerBox(detail.margins);
  return (
    <StepPictures
      {...props}
      over={
        <svg viewBox={FRAME_VIEW_BOX} className="absolute inset-0 h-full w-full" role="img" aria-label="The subject's outline in the asked frame">
          <rect {...rectangleOf(inner)} fill="none" stroke="var(--color-signal)" strokeWidth="0.006" strokeDasharray="0.03 0.012" />
          <rect {...rectangleOf(detail.asked)} fill="none" stroke="var(--color-amber)" strokeWidth="0.009" />
          <polygon
            points={detail.outline.map(([u, v]) => `${u},${-v}`).join(' ')}
            fill="none"
            stroke="var(--color-ink)"
            strokeWidth="0.008"
            strokeLinejoin="round"
          />
        </svg>
      }
      beside={
        <ul className="w-48 shrink-0 self-center text-sm">
          <li className="flex items-center gap-2">
            <span className="h-0.5 w-6 border-signal border-t-2 border-dashed" /> inner lines
          </li>
          <li className="mt-1 flex items-center gap-2">
            <span className="h-1 w-6 bg-amber" /> asked: as large as they allow
          </li>
          <li className="mt-1 flex items-center gap-2">
            <span className="h-1 w-6 bg-ink" /> yours
          </li>
        </ul>
      }
    />
  );
}
