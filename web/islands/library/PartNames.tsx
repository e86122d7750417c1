import { applyNaming, type Mesh, type Naming, NO_NAMING, namedFurther, namingFault } from '@core/geometry';
import { call, wordsOf } from '@web/ui/api';
import { SearchField } from '@web/ui/SearchField';
import { Sheet } from '@web/ui/Sheet';
import { useMemo, useState } from 'react';

/** Rows that are drawn at once: a search finds the others. */
const SHOWN = 200;

interface Props {
  readonly modelId: string;
  readonly mesh: Mesh;
}

/** Calls the parts of a model as people call them, and makes one of several: kept with the geometry, in a new revision. */
export function PartNames({ modelId, mesh }: Props) {
  const [open, setOpen] = useState(false);
  const [naming, setNaming] = useState<Naming>(NO_NAMING);
  const [ticked, setTicked] = useState<readonly string[]>([]);
  const [text, setText] = useState('');
  const [error, setError] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const { parts } = useMemo(() => applyNaming(mesh, naming), [mesh, naming]);
  const wanted = text.trim().toLowerCase();
  const rows = parts.filter((part) => !wanted || `${part.name} ${part.id}`.toLowerCase().includes(wanted));
  const often = new Map<string, number>();
  for (const { name } of parts) often.set(name, (often.get(name) ?? 0) + 1);
  const twice = [...often.values()].filter((n) => n > 1).length;
  const further = (then: Naming): void => {
    const fault = namingFault(parts, then);
    setError(fault);
    if (!fault) setNaming(namedFurther(naming, then));
  };
  const merge = (): void => {
    const [into, ...from] = parts.filter((part) => ticked.includes(part.id)).map((part) => part.id);
    if (into === undefined || from.length === 0) return;
    further({ names: {}, merges: [{ into, from }] });
    setTicked([]);
  };
  const save = async (): Promise<void> => {
    setBusy(true);
    setError(null);
    try {
      await call('nameParts', { params: { id: modelId }, body: naming });
      window.location.reload();
    } catch (problem) {
      setError(wordsOf(problem));
      setBusy(false);
    }
  };
  const changed = Object.keys(naming.names).length > 0 || naming.merges.length > 0;
  return (
    <>
      <button type="button" className="button-quiet" onClick={() => setOpen(true)}>
        Name the parts …
      </button>
      <Sheet
        open={open}
        onOpenChange={setOpen}
        title="Names of the parts"
        about={`${parts.length} parts${twice > 0 ? `; ${twice === 1 ? 'one name is' : `${twice} names are`} used more than once` : ''}. Exercises that are published keep the names they have.`}
      >
        <div className="p-1">
          <SearchField label="Search the parts" placeholder="A name" value={text} onChange={setText} />
          <ul className="mt-2 max-h-[50vh] space-y-1 overflow-y-auto pr-1">
            {rows.slice(0, SHOWN).map((part) => (
              <li key={part.id} className="flex items-center gap-2" style={{ paddingLeft: `${(part.id.split('/').length - 1) * 0.75}rem` }}>
                <input
                  type="checkbox"
                  className="h-4 w-4 accent-ink"
                  aria-label={`Take ${part.name}`}
                  checked={ticked.includes(part.id)}
                  onChange={(e) => setTicked(e.target.checked ? [...ticked, part.id] : ticked.filter((id) => id !== part.id))}
                />
                <input
                  key={part.name}
                  className="field !py-0.5 text-sm"
                  aria-label={`Name of ${part.id}`}
                  maxLength={80}
                  defaultValue={part.name}
                  onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
                  onBlur={(e) => {
                    const name = e.target.value.trim();
                    if (name === '') e.target.value = part.name;
                    else if (name !== part.name) further({ names: { [part.id]: name }, merges: [] });
                  }}
                />
              </li>
            ))}
          </ul>
          {rows.length > SHOWN && <p className="mt-1 text-ink-soft text-sm">{rows.length - SHOWN} more: search for them.</p>}
          {rows.length === 0 && <p className="mt-1 text-ink-soft text-sm">No part is called so.</p>}
          {error && (
            <p role="alert" className="mt-2 font-semibold text-signal text-sm">
              {error}
            </p>
          )}
          <div className="mt-3 flex flex-wrap items-center justify-end gap-3">
            <button type="button" className="button" disabled={ticked.length < 2} onClick={merge}>
              Make one part of {ticked.length < 2 ? 'the ticked' : `these ${ticked.length}`}
            </button>
            <button type="button" className="button-main" disabled={!changed || busy} onClick={save}>
              {busy ? 'Saving …' : 'Save as a new revision'}
            </button>
          </div>
        </div>
      </Sheet>
    </>
  );
}
