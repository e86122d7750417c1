interface Props {
  /** Hints of this step: how many there are, and how many were taken. */
  readonly hints: number;
  readonly taken: number;
  readonly last: boolean;
  readonly busy: boolean;
  /** Whether an attempt runs that can still be changed. */
  readonly ready: boolean;
  readonly running: boolean;
  /** Given while one looks round before the step. */
  readonly onBegin: (() => void) | null;
  readonly onHint: () => void;
  readonly onRestart: () => void;
  readonly onDone: () => void;
}

/** Hint, start again, and the end of the step. */
export function Actions({ hints, taken, last, busy, ready, running, onBegin, onHint, onRestart, onDone }: Props) {
  return (
    <div
      data-note="actions"
      className="flex shrink-0 justify-end gap-2.5 stacked:sticky stacked:bottom-0 stacked:order-10 stacked:col-span-2 stacked:-mx-3 stacked:border-ink stacked:border-t stacked:bg-paper stacked:px-3 stacked:py-2 low:sticky low:bottom-0 low:order-10 low:gap-1.5 low:bg-paper low:[&>button]:px-2.5 low:text-sm low:py-2 stacked:[&>:last-child]:flex-1 low:[&>:last-child]:flex-1"
    >
      {hints > 0 && !onBegin && (
        <button type="button" className="button" onClick={onHint} disabled={!ready || taken >= hints}>
          Hint{' '}
          <span className="text-ink-soft">
            {Math.min(taken + 1, hints)} of {hints}
          </span>
        </button>
      )}
      <button type="button" className="button" onClick={onRestart} disabled={!running}>
        Start again
      </button>
      {onBegin ? (
        <button type="button" className="button-main" onClick={onBegin} disabled={!ready}>
          Begin
        </button>
      ) : (
        <button type="button" className="button-main" onClick={onDone} disabled={!ready || busy}>
          {busy ? 'Scoring …' : last ? 'Hand in' : 'Done'}
        </button>
      )}
    </div>
  );
}
