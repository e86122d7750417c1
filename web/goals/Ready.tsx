import type { ReactNode } from 'react';

/** Before something is called or shown: what will come, and the button that begins it. */
export function Ready({ label, children, onReady }: { readonly label: string; readonly children: ReactNode; readonly onReady: () => void }) {
  return (
    <section aria-label={label} className="rounded-xl border-2 border-ink bg-card p-4">
      <p className="text-sm">{children}</p>
      <button type="button" className="button mt-3 w-full" onClick={onReady}>
        I am ready
      </button>
    </section>
  );
}
