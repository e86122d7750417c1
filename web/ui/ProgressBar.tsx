/** How far a work is: `done` of `of`. `label`: what is done, for those who do not see it. */
export function ProgressBar({
  label,
  done,
  of = 1,
  className = '',
}: {
  readonly label: string;
  readonly done: number;
  readonly of?: number;
  readonly className?: string;
}) {
  return (
    <progress
      className={`h-2 appearance-none overflow-hidden rounded bg-rule [&::-moz-progress-bar]:bg-ink [&::-webkit-progress-bar]:bg-rule [&::-webkit-progress-value]:bg-ink ${className}`}
      max={of}
      value={done}
      aria-label={label}
    />
  );
}
