import type { KeptAttempt } from '@web/keep/keptAttempts';

/** Tells of attempts that have just arrived. */
export function Arrived({ arrived }: { readonly arrived: readonly KeptAttempt[] }) {
  return arrived.map((head) => (
    <p key={head.id} role="status" className="card border-sea px-4 py-3">
      “{head.title}” has now been handed in.{' '}
      <a className="underline" href={`/attempts/${head.id}`}>
        See its card
      </a>
    </p>
  ));
}
