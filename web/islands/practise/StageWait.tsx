interface Props {
  readonly error: string | null;
  /** Whether an attempt that was broken off may be gone on with. */
  readonly offered: boolean;
  readonly loaded: boolean;
  readonly onAgain: () => void;
  readonly onGoOn: () => void;
}

/** Over the stage until an attempt runs: what is waited for, what went wrong, or whether to go on with an earlier one. */
export function StageWait({ error, offered, loaded, onAgain, onGoOn }: Props) {
  return (
    <div className="absolute inset-0 grid place-items-center bg-stage/80" role="status" data-stage-wait={offered ? undefined : ''}>
      {error ? (
        <div className="max-w-sm text-center">
          <p className="font-semibold">{error}</p>
          <button type="button" className="button mt-3" onClick={onAgain}>
            Try again
          </button>
        </div>
      ) : offered ? (
        <div className="card max-w-sm p-6 text-center" data-testid="go-on">
          <h2 className="text-xl">Go on where you were?</h2>
          <p className="mt-2">You were in the middle of this exercise. What you did is kept, and the time since does not count.</p>
          <div className="mt-4 flex justify-center gap-3">
            <button type="button" className="button" onClick={onAgain}>
              Start again
            </button>
            <button type="button" className="button-main" onClick={onGoOn}>
              Go on
            </button>
          </div>
        </div>
      ) : (
        <p>{loaded ? 'Opening …' : 'Loading the model …'}</p>
      )}
    </div>
  );
}
