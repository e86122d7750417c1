interface Props {
  readonly label: string;
  readonly shown: string;
  /** What the per cent are of. */
  readonly of?: string | undefined;
  /** 0 … 1; full is perfect. */
  readonly points: number;
}

const kindOf = (points: number): { words: string; style: string } =>
  points >= 0.9 ? { words: 'good', style: 'bg-sea' } : points >= 0.5 ? { words: 'nearly', style: 'bg-amber' } : { words: 'not yet', style: 'hatch' };

/** How near one criterion is: a bar that grows towards "right", by colour and by shape. */
export function Bar({ label, shown, of, points }: Props) {
  const { words, style } = kindOf(points);
  return (
    <div
      className="flex min-w-0 flex-col justify-end"
      role="group"
      aria-label={`${label}: ${shown === '–' ? 'not to be seen' : of ? `${shown} ${of}` : shown}, ${words}`}
      title={shown === '–' ? 'This cannot be seen from here.' : of && `${shown} ${of}`}
    >
      <div className="flex flex-wrap items-baseline justify-between gap-x-2 leading-5">
        <span className="min-w-0 break-words text-sm">{label}</span>
        <span className={`ml-auto whitespace-nowrap text-xs tabular-nums ${/[a-z]/.test(shown) ? '' : 'font-mono'}`}>{shown}</span>
      </div>
      <div className="mt-1 h-2.5 overflow-hidden rounded-full bg-bar">
        <div className={`h-full rounded-full ${style}`} style={{ width: `${Math.max(2, Math.round(points * 100))}%` }} />
      </div>
    </div>
  );
}
