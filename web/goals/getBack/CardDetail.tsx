import { plural } from '@core/advice';
import { KIND_WORDS } from '@core/input';
import type { CardDetailProps } from '../goalParts';

const gestures = (count: number): string => plural(count, 'gesture');

/** How many gestures it took, and the shortest way that is known. */
export function GetBackDetail({ detail }: CardDetailProps) {
  if (detail?.kind !== 'back') return null;
  const { seconds, shortest } = detail;
  return (
    <dl className="mb-4 grid grid-cols-[auto_1fr] gap-x-6 gap-y-1">
      <dt className="text-ink-soft">Your way</dt>
      <dd>{seconds === null ? `not back, after ${gestures(detail.gestures)}` : `back after ${seconds.toFixed(1)} s, ${gestures(detail.gestures)}`}</dd>
      <dt className="text-ink-soft">The shortest known</dt>
      <dd>
        {shortest
          ? `${gestures(shortest.length)}: ${shortest.map((kind) => KIND_WORDS[kind]).join(', then ')}`
          : 'by hand: nothing that is allowed here leads there at once'}
      </dd>
    </dl>
  );
}
