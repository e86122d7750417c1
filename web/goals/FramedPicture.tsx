import type { ReactNode } from 'react';

interface Props {
  /** Null: not drawn yet. */
  readonly source: string | null;
  readonly words: string;
  readonly className: string;
  /** Stands there until it is drawn. */
  readonly waiting?: string;
  /** Lies over it. */
  readonly children?: ReactNode;
}

/** A picture that the stage drew, in its frame, with its words beneath. */
export function FramedPicture({ source, words, className, waiting, children }: Props) {
  return (
    <figure className={className}>
      <div className="relative aspect-[1.6] overflow-hidden rounded-lg border border-ink bg-stage">
        {source ? (
          <img src={source} alt={words} className="absolute inset-0 h-full w-full" />
        ) : (
          waiting && <p className="p-3 text-ink-soft text-sm">{waiting}</p>
        )}
        {children}
      </div>
      <figcaption className="mt-1 text-ink-soft text-sm">{words}</figcaption>
    </figure>
  );
}
