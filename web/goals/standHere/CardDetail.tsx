import type { CardDetailProps } from '../goalParts';
import { StepPictures } from '../StepPictures';

/** What one should have seen from there, and what one saw. */
export function StandHereDetail(props: CardDetailProps) {
  return <StepPictures {...props} />;
}
