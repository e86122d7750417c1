const RAYS = 'M0-11v3M0 8v3M-11 0h3M8 0h3M-7.8-7.8l2.1 2.1M5.7 5.7l2.1 2.1M-7.8 7.8l2.1-2.1M5.7-5.7l2.1-2.1';

/** What an attempt earned, drawn once for islands and pages alike: three separate lamps, lit ones filled and rayed. */
export function flashesMarkup(count: number, px: number): string {
  const lamp = (lit: boolean): string => {
    const rays = lit ? `<path d="${RAYS}" stroke="var(--color-amber)" stroke-width="2" stroke-linecap="round"/>` : '';
    const colour = lit ? 'var(--color-amber)' : 'var(--color-ink-soft)';
    return `<svg width="${px}" height="${px}" viewBox="-12 -12 24 24" aria-hidden="true">${rays}<circle r="5.4" fill="${lit ? colour : 'none'}" stroke="${colour}" stroke-width="1.8"/></svg>`;
  };
  return [1, 2, 3].map((n) => lamp(n <= count)).join('');
}
