import type { CardDetailProps } from '../goalParts';
import { SectionChart } from '../SectionChart';
import { StepPictures } from '../StepPictures';

/** Target and result side by side, and the two cuts laid over each other where there is one. */
export function CutToRevealDetail(props: CardDetailProps) {
  return (
    <>
      <StepPictures {...props} eye="own" />
      {props.detail?.kind === 'section' && <SectionChart detail={props.detail} />}
    </>
  );
}
