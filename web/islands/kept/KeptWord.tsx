import { Arrived } from './Arrived';
import { useKept } from './useKept';

/** Sends what waits in this browser, and says a word when something has arrived: on every page that does not list it. */
export function KeptWord({ person }: { readonly person: string }) {
  const { arrived } = useKept(person);
  if (arrived.length === 0) return null;
  return (
    <section aria-label="Kept in this browser" className="fixed right-4 bottom-4 z-30 max-w-sm space-y-2 print:hidden" data-testid="kept">
      <Arrived arrived={arrived} />
    </section>
  );
}
