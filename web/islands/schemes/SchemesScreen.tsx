import type { Scheme } from '@core/input';
import { writeSchemeFile } from '@formats/schemeFile';
import type { SchemeSeen } from '@server/services/schemes';
import { Refused, send, wordsOf } from '@web/ui/api';
import { SchemeCard } from '@web/ui/SchemeCard';
import { Ask } from '@web/ui/Sheet';
import { Copy, Download, Lock, Printer, Trash2, Upload } from 'lucide-react';
import { useRef, useState } from 'react';
import { Toaster, toast } from 'sonner';
import { SchemeEditor } from './SchemeEditor';
import { TestBench } from './TestBench';

interface Props {
  readonly seen: readonly SchemeSeen[];
  /** Groups that the one who looks leads. */
  readonly groups: readonly { readonly id: string; readonly name: string }[];
}

type How = 'none' | 'shared' | 'locked';

function download(scheme: Scheme): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(new Blob([writeSchemeFile(scheme)], { type: 'application/json' }));
  link.download = `${scheme.name.replace(/[^\w-]+/g, ' ').trim() || 'scheme'}.json`;
  link.click();
  URL.revokeObjectURL(link.href);
}

/** The schemes there are: their cards, one's own to change, and a bench that shows what a device sends. */
export function SchemesScreen({ seen, groups }: Props) {
  const [list, setList] = useState(seen);
  const [id, setId] = useState(seen[0]?.scheme.id ?? '');
  const [draft, setDraft] = useState<Scheme | null>(null);
  const [view, setView] = useState<'card' | 'change' | 'bench'>('card');
  const [removing, setRemoving] = useState(false);
  const [leaving, setLeaving] = useState<string | null>(null);
  const file = useRef<HTMLInputElement>(null);
  const chosen = list.find((s) => s.scheme.id === id) ?? (list[0] as SchemeSeen);
  const scheme = draft ?? chosen.scheme;

  const doing = async (work: () => Promise<void>): Promise<void> => {
    try {
      await work();
    } catch (error) {
      toast.error(wordsOf(error), { duration: 10_000 });
    }
  };
  const reload = async (): Promise<void> => {
    const response = await fetch('/api/schemes');
    if (response.ok) setList(((await response.json()) as { schemes: SchemeSeen[] }).schemes);
  };
  const open = (next: string, how: typeof view): void => {
    setDraft(null);
    setId(next);
    setView(how);
  };
  const made = (work: Promise<Scheme>): Promise<void> =>
    doing(async () => {
      const scheme = await work;
      await reload();
      open(scheme.id, 'change');
    });
  const save = (): Promise<void> =>
    doing(async () => {
      if (!draft) return;
      try {
        await send(`/api/schemes/${draft.id}`, { base: chosen.scheme.revision, scheme: draft }, 'PUT');
      } catch (error) {
        // What was changed stays on the screen; the newer one is fetched, so that saving again is a choice.
        if (error instanceof Refused && error.code === 'changed') await reload();
        throw error;
      }
      await reload();
      setDraft(null);
      toast.success('Saved. Attempts from now on are made with it.');
    });
  const choose = (next: string): void => (draft ? setLeaving(next) : open(next, view === 'bench' ? 'bench' : 'card'));
  const shareOf = (groupId: string): How => {
    const share = chosen.shares.find((s) => s.groupId === groupId);
    return share ? (share.locked ? 'locked' : 'shared') : 'none';
  };

  return (
    <div>
      <Toaster position="top-center" />
      <div className="flex flex-wrap items-end justify-between gap-4 print:hidden">
        <div>
          <h1 className="text-3xl">Schemes</h1>
          <p className="mt-1 text-ink-soft">A scheme says which gesture does what. Duplicate one to make it your own.</p>
        </div>
        <div className="flex gap-2">
          <button type="button" className="button" onClick={() => file.current?.click()}>
            <Upload size={16} aria-hidden="true" /> Import a file
          </button>
          <input
            ref={file}
            type="file"
            accept=".json,application/json"
            aria-label="Scheme file"
            className="sr-only"
            onChange={async (event) => {
              const picked = event.target.files?.[0];
              event.target.value = '';
              if (picked) await made(picked.text().then((text) => send<Scheme>('/api/schemes', { file: text })));
            }}
          />
        </div>
      </div>
      <div className="mt-6 grid gap-8 md:grid-cols-[16rem_1fr] print:mt-0 print:block">
        <ul className="space-y-2 print:hidden">
          {list.map(({ scheme: s, ownerName, mine, lockedBy }) => (
            <li key={s.id}>
              <button
                type="button"
                aria-pressed={s.id === chosen.scheme.id}
                onClick={() => choose(s.id)}
                className={`card w-full px-4 py-3 text-left ${s.id === chosen.scheme.id ? '!border-ink border-2' : 'hover:border-ink'}`}
              >
                <span className="block font-semibold">{s.name}</span>
                <span className="text-ink-soft text-sm">{mine ? 'your own' : (ownerName ?? 'ships with Dial Home')}</span>
                {lockedBy && (
                  <span className="mt-0.5 flex items-center gap-1 text-sm">
                    <Lock size={13} aria-hidden="true" /> locked by {lockedBy}
                  </span>
                )}
              </button>
            </li>
          ))}
        </ul>
        <section aria-label="Scheme" className="card p-6 print:border-0 print:p-0">
          <div className="flex flex-wrap items-start justify-between gap-3">
            {chosen.mine && view === 'change' ? (
              <label className="block flex-1">
                <span className="sr-only">Name of the scheme</span>
                <input
                  className="field font-display !text-xl"
                  maxLength={80}
                  value={scheme.name}
                  onChange={(e) => setDraft({ ...scheme, name: e.target.value })}
                />
              </label>
            ) : (
              <h2 className="text-xl">{scheme.name}</h2>
            )}
            <div className="flex flex-wrap gap-1.5 print:hidden" role="group" aria-label="What to show">
              {(['card', ...(chosen.mine ? (['change'] as const) : []), 'bench'] as const).map((each) => (
                <button
                  key={each}
                  type="button"
                  aria-pressed={view === each}
                  className={`rounded-lg border px-3 py-1 text-sm ${view === each ? 'border-ink bg-ink text-paper' : 'border-rule hover:border-ink'}`}
                  onClick={() => setView(each)}
                >
                  {each === 'card' ? 'Scheme card' : each === 'change' ? 'Change it' : 'Test bench'}
                </button>
              ))}
            </div>
          </div>
          <div className="mt-3 mb-4 flex flex-wrap gap-1.5 print:hidden">
            <button type="button" className="button !px-3 !py-1 text-sm" onClick={() => made(send<Scheme>('/api/schemes', { from: chosen.scheme.id }))}>
              <Copy size={14} aria-hidden="true" /> Duplicate
            </button>
            <button type="button" className="button !px-3 !py-1 text-sm" onClick={() => download(scheme)}>
              <Download size={14} aria-hidden="true" /> Export
            </button>
            {view === 'card' && (
              <button type="button" className="button !px-3 !py-1 text-sm" onClick={() => window.print()}>
                <Printer size={14} aria-hidden="true" /> Print
              </button>
            )}
            {chosen.mine && (
              <button type="button" className="button !px-3 !py-1 text-sm" onClick={() => setRemoving(true)}>
                <Trash2 size={14} aria-hidden="true" /> Remove
              </button>
            )}
            {chosen.mine &&
              groups.map((group) => (
                <label key={group.id} className="flex items-center gap-1.5 text-sm">
                  {group.name}:
                  <select
                    className="field !w-auto !py-1 text-sm"
                    value={shareOf(group.id)}
                    onChange={(e) => doing(() => send(`/api/schemes/${chosen.scheme.id}/share`, { groupId: group.id, how: e.target.value }).then(reload))}
                  >
                    <option value="none">not shared</option>
                    <option value="shared">shared</option>
                    <option value="locked">locked: only this one</option>
                  </select>
                </label>
              ))}
          </div>
          {view === 'card' && <SchemeCard scheme={scheme} />}
          {view === 'bench' && <TestBench scheme={scheme} />}
          {view === 'change' && chosen.mine && (
            <>
              <SchemeEditor scheme={scheme} onChange={setDraft} />
              <div className="sticky bottom-0 mt-4 flex items-center gap-3 border-ink border-t bg-card py-3">
                <p className="flex-1 text-sm" role="status">
                  {draft ? 'Not saved yet.' : 'Saved.'}
                </p>
                <button type="button" className="button" disabled={!draft} onClick={() => setDraft(null)}>
                  Undo all changes
                </button>
                <button type="button" className="button-main" disabled={!draft || scheme.name.trim() === ''} onClick={save}>
                  Save
                </button>
              </div>
            </>
          )}
        </section>
      </div>
      <Ask
        open={removing}
        onOpenChange={setRemoving}
        title={`Remove ${chosen.scheme.name}?`}
        about="Nobody can practise with it any more. Attempts that were made with it keep it."
        yes="Remove it"
        no="Keep it"
        onYes={() =>
          void doing(async () => {
            await send(`/api/schemes/${chosen.scheme.id}`, {}, 'DELETE');
            await reload();
            open(seen[0]?.scheme.id ?? '', 'card');
          })
        }
      />
      <Ask
        open={leaving !== null}
        onOpenChange={(o) => !o && setLeaving(null)}
        title="Leave without saving?"
        about={`Your changes to ${scheme.name} are not saved yet.`}
        yes="Leave them"
        no="Stay here"
        onYes={() => {
          if (leaving) open(leaving, 'card');
          setLeaving(null);
        }}
      />
    </div>
  );
}
