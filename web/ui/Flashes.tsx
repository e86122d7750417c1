import { flashesMarkup } from './flashesMarkup';

interface Props {
  readonly count: number;
  readonly size?: 'small' | 'large';
}

/** What an attempt earned, in an island. */
export function Flashes({ count, size = 'small' }: Props) {
  const markup = flashesMarkup(count, size === 'large' ? 44 : 18);
  return <span role="img" aria-label={`${count} of 3 flashes`} className="inline-flex gap-1" dangerouslySetInnerHTML={{ __html: markup }} />;
}
