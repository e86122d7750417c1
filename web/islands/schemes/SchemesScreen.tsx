import type { Scheme } from '@core/input';
import { SchemeCard } from '@web/ui/SchemeCard';
import { useState } from 'react';

/** The schemes there are, and the card of the chosen one. */
export function SchemesScreen({ schemes }: { readonly schemes: readonly Scheme[] }) {
  const [id, setId] = useState(schemes[0]?.id);
  const scheme = schemes.find((s) => s.id === id);
  return (
    <div>
      <h1 className="text-3xl">Schemes</h1>
      <p className="mt-1 text-ink-soft">A scheme says which gesture does what. You choose one while practising; here is what each offers.</p>
      <div className="mt-6 grid gap-8 md:grid-cols-[16rem_1fr]">
        <ul className="space-y-2">
          {schemes.map((s) => (
            <li key={s.id}>
              <button
                type="button"
                aria-pressed={s.id === id}
                onClick={() => setId(s.id)}
                className={`card w-full px-4 py-3 text-left ${s.id === id ? '!border-ink border-2' : 'hover:border-ink'}`}
              >
                <span className="block font-semibold">{s.name}</span>
                <span className="text-ink-soft text-sm">{s.bindings.length} bindings</span>
              </button>
            </li>
          ))}
        </ul>
        <section aria-label="Scheme card" className="card p-6">
          {scheme && (
            <>
              <h2 className="mb-2 text-xl">{scheme.name}</h2>
              <SchemeCard scheme={scheme} />
            </>
          )}
        </section>
      </div>
    </div>
  );
}
