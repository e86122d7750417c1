interface Props {
  readonly count: number;
  readonly size?: 'small' | 'large';
}

/** What an attempt earned: three separate lamps, lit ones filled and rayed. */
export function Flashes({ count, size = 'small' }: Props) {
  const px = size === 'large' ? 44 : 18;
  return (
    <span role="img" aria-label={`${count} of 3 flashes`} className="inline-flex gap-1">
      {[1, 2, 3].map((n) => (
        <svg key={n} width={px} height={px} viewBox="-12 -12 24 24" aria-hidden="true">
          {n <= count && (
            <path
              d="M0-11v3M0 8v3M-11 0h3M8 0h3M-7.8-7.8l2.1 2.1M5.7 5.7l2.1 2.1M-7.8 7.8l2.1-2.1M5.7-5.7l2.1-2.1"
              stroke="var(--color-amber)"
              strokeWidth="2"
              strokeLinecap="round"
            />
          )}
          <circle
            r="5.4"
            fill={n <= count ? 'var(--color-amber)' : 'none'}
            stroke={n <= count ? 'var(--color-amber)' : 'var(--color-ink-soft)'}
            strokeWidth="1.8"
          />
        </svg>
      ))}
    </span>
  );
}
