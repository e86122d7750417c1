import { boxOf } from '@core/geometry';
import { sub } from '@core/math';
import { defaultHome } from '@core/model';
import type { Scene } from '@core/navigation';
import type { View } from '@core/view';
import type { Placement } from '@formats/placeMesh';
import { prepareBytes } from '@web/stage/openModel';
import type { Prepared } from '@web/stage/prepared';
import { call, wordsOf } from '@web/ui/api';
import { telling } from '@web/ui/carrier';
import { ProgressBar } from '@web/ui/ProgressBar';
import { Toasts } from '@web/ui/Toasts';
import type { PreviewWorker } from '@web/workers/preview.worker';
import { type Remote, wrap } from 'comlink';
import { Upload } from 'lucide-react';
import { type DragEvent, useCallback, useRef, useState } from 'react';
import { ModelStage } from './ModelStage';

interface Props {
  /** The model that gets a new revision; null: a new model. */
  readonly revise: { readonly id: string; readonly name: string } | null;
}

const UNITS = [
  { id: '1', label: 'metres' },
  { id: '0.01', label: 'centimetres' },
  { id: '0.001', label: 'millimetres' },
  { id: '0.0254', label: 'inches' },
  { id: '0.3048', label: 'feet' },
] as const;
const UPS = [
  { id: '+z', label: 'as in the file' },
  { id: '-z', label: 'upside down' },
  { id: '+y', label: 'its back is up' },
  { id: '-y', label: 'its front is up' },
  { id: '+x', label: 'its right side is up' },
  { id: '-x', label: 'its left side is up' },
] as const;
/** A model that is longer than this is asked about: its unit is seldom the metre, metres. */
const HUGE = 200;
const metres = (x: number): string => (x >= 1 ? `${x.toFixed(2)} m` : `${(x * 1000).toFixed(x < 0.01 ? 1 : 0)} mm`);

/** How far the files are on their way, and what the server does with them then. */
function Sending({ share, bytes }: { readonly share: number; readonly bytes: number }) {
  const arrived = share >= 1;
  const megabytes = (n: number): string => (n / 1024 / 1024).toFixed(1);
  return (
    <div>
      <ProgressBar label="Sent" done={share} className="w-full" />
      <p className="flex justify-between gap-3 text-sm">
        <span role="status">{arrived ? 'Arrived. The server reads it …' : 'Sending. Stay on this page.'}</span>
        {!arrived && (
          <span className="font-mono">
            {megabytes(share * bytes)} of {megabytes(bytes)} MB
          </span>
        )}
      </p>
    </div>
  );
}

/** Import: files are read and shown by a worker in the browser, then sent and read again by the server. */
export function ImportScreen({ revise }: Props) {
  const [files, setFiles] = useState<readonly File[]>([]);
  const [name, setName] = useState(revise?.name ?? '');
  const [placement, setPlacement] = useState<Placement>({ metresPerUnit: 1, up: '+z', turns: 0 });
  const [prepared, setPrepared] = useState<{ prepared: Prepared; home: View; warnings: readonly string[] } | null>(null);
  const [error, setError] = useState<string | null>(null);
  const [state, setState] = useState<'empty' | 'reading' | 'ready' | 'sending'>('empty');
  /** How much of the files is sent, 0 … 1. */
  const [sent, setSent] = useState(0);
  const [over, setOver] = useState(false);
  const worker = useRef<Remote<PreviewWorker> | null>(null);
  const home = useRef<View | null>(null);
  const input = useRef<HTMLInputElement>(null);

  const place = useCallback(async (wanted: Placement): Promise<void> => {
    if (!worker.current) return;
    const preview = await worker.current.place(wanted);
    if (!preview.ok) {
      setError(preview.message);
      setState('empty');
      return;
    }
    const made = await prepareBytes(preview.bytes as Uint8Array<ArrayBuffer>);
    setPrepared({ prepared: made, home: defaultHome(made.mesh), warnings: preview.warnings });
    setState('ready');
  }, []);

  const open = async (list: readonly File[]): Promise<void> => {
    const main = list.find((f) => /\.(glb|gltf)$/i.test(f.name));
    setError(null);
    setPrepared(null);
    if (!main) {
      setError(list.length === 0 ? 'No file arrived.' : `"${list[0]?.name}" is no .glb or .gltf file.`);
      setState('empty');
      return;
    }
    setState('reading');
    setFiles(list);
    if (!name) setName(main.name.replace(/\.\w+$/, '').slice(0, 80));
    worker.current ??= wrap<PreviewWorker>(new Worker(new URL('../../workers/preview.worker.ts', import.meta.url), { type: 'module' }));
    const named = await Promise.all(list.map(async (f) => ({ name: f.name, bytes: new Uint8Array(await f.arrayBuffer()), main: f === main })));
    const first = named.find((f) => f.main);
    if (!first) return;
    const read = await worker.current.open(
      first,
      named.filter((f) => !f.main),
    );
    if (!read.ok) {
      setError(read.message);
      setState('empty');
      return;
    }
    await place(placement);
  };

  const change = (made: Partial<Placement>): void => {
    const next = { ...placement, ...made };
    setPlacement(next);
    if (state === 'ready') {
      setState('reading');
      void place(next);
    }
  };

  const save = async (): Promise<void> => {
    setState('sending');
    setSent(0);
    setError(null);
    const form = new FormData();
    form.set('name', name);
    form.set('settings', JSON.stringify({ placement, home: home.current ?? undefined }));
    for (const file of files) form.append('files', file, file.name);
    try {
      if (revise) {
        await call('reviseModel', { params: { id: revise.id }, body: form }, telling(setSent));
        window.location.href = `/library/${revise.id}`;
      } else {
        const { id } = await call('importModel', { body: form }, telling(setSent));
        window.location.href = `/library/${id}`;
      }
    } catch (problem) {
      setError(wordsOf(problem));
      setState('ready');
    }
  };

  const drop = (event: DragEvent): void => {
    event.preventDefault();
    setOver(false);
    void open([...event.dataTransfer.files]);
  };
  const onScene = useCallback(({ view }: Scene) => {
    home.current = view;
  }, []);
  const box = prepared ? boxOf(prepared.prepared.mesh) : null;
  const size = box ? sub(box.max, box.min) : null;

  return (
    <div className="flex min-h-0 flex-1 gap-5 px-6 py-5 stacked:flex-col stacked:overflow-y-auto stacked:px-3">
      <Toasts />
      <aside className="flex w-72 shrink-0 flex-col gap-4 overflow-y-auto pr-1 stacked:w-full stacked:overflow-visible stacked:pr-0">
        <h1 className="text-2xl">{revise ? `Revise ${revise.name}` : 'Import a model'}</h1>
        <section
          aria-label="Drop files here"
          className={`rounded-xl border-2 border-dashed p-5 text-center ${over ? 'border-sea bg-bar' : 'border-ink-soft'}`}
          onDragOver={(e) => {
            e.preventDefault();
            setOver(true);
          }}
          onDragLeave={() => setOver(false)}
          onDrop={drop}
        >
          <Upload className="mx-auto" aria-hidden="true" />
          <p className="mt-2 text-sm">Drop a .glb file here, or a .gltf file together with its .bin files.</p>
          <button type="button" className="button mt-3" onClick={() => input.current?.click()}>
            Choose files
          </button>
          <input
            ref={input}
            type="file"
            multiple
            accept=".glb,.gltf,.bin"
            aria-label="Model files"
            className="sr-only"
            onChange={(e) => void open([...(e.target.files ?? [])])}
          />
          <p className="mt-2 text-ink-soft text-xs">64 MB, 2 million triangles and 5,000 parts at most.</p>
        </section>
        {error && (
          <p role="alert" className="rounded-lg border-2 border-signal p-3 font-semibold text-signal">
            {error}
          </p>
        )}
        {prepared && (
          <>
            {prepared.warnings.map((warning) => (
              <p key={warning} className="card p-3 text-sm">
                {warning}
              </p>
            ))}
            <label className="block">
              <span className="mb-1 block font-semibold text-sm">Name</span>
              <input className="field" value={name} maxLength={80} disabled={revise !== null} onChange={(e) => setName(e.target.value)} />
            </label>
            {size && Math.max(...size) > HUGE && placement.metresPerUnit > 0.001 && (
              <div className="rounded-lg border-2 border-amber p-3 text-sm" role="alert">
                <p>This model is {metres(Math.max(...size))} long. Was it drawn in millimetres?</p>
                <button type="button" className="button mt-2 !px-2.5 !py-0.5 text-xs" onClick={() => change({ metresPerUnit: 0.001 })}>
                  Yes, one unit is a millimetre
                </button>
              </div>
            )}
            <label className="block">
              <span className="mb-1 block font-semibold text-sm">One unit of the file is</span>
              <select className="field" value={String(placement.metresPerUnit)} onChange={(e) => change({ metresPerUnit: Number(e.target.value) })}>
                {UNITS.map((u) => (
                  <option key={u.id} value={u.id}>
                    {u.label}
                  </option>
                ))}
              </select>
            </label>
            <label className="block">
              <span className="mb-1 block font-semibold text-sm">Upright</span>
              <select className="field" value={placement.up} onChange={(e) => change({ up: e.target.value as Placement['up'] })}>
                {UPS.map((u) => (
                  <option key={u.id} value={u.id}>
                    {u.label}
                  </option>
                ))}
              </select>
            </label>
            <button type="button" className="button" onClick={() => change({ turns: ((placement.turns + 1) % 4) as Placement['turns'] })}>
              Turn the front by a quarter
            </button>
            <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1 text-sm">
              <dt className="text-ink-soft">Size</dt>
              <dd className="font-mono">{size?.map(metres).join(' × ')}</dd>
              <dt className="text-ink-soft">Triangles</dt>
              <dd className="font-mono">{(prepared.prepared.mesh.indices.length / 3).toLocaleString('en')}</dd>
              <dt className="text-ink-soft">Parts</dt>
              <dd className="font-mono">{prepared.prepared.mesh.parts.length}</dd>
            </dl>
            <p className="text-ink-soft text-sm">Move the camera: the view you leave it in becomes the home view.</p>
            <button type="button" className="button-main" disabled={state !== 'ready' || name.trim() === ''} onClick={save}>
              {revise ? 'Save as a new revision' : 'Save to the library'}
            </button>
            {state === 'sending' && <Sending share={sent} bytes={files.reduce((sum, { size }) => sum + size, 0)} />}
          </>
        )}
      </aside>
      {prepared && state !== 'reading' ? (
        <ModelStage
          key={`${placement.up}${placement.turns}${placement.metresPerUnit}`}
          prepared={prepared.prepared}
          home={prepared.home}
          label="Preview of the model"
          onScene={onScene}
        />
      ) : (
        <div className="grid flex-1 place-items-center rounded-xl border border-rule text-ink-soft stacked:min-h-40 stacked:flex-none" role="status">
          {state === 'reading' ? 'Reading the file …' : 'The model will stand here.'}
        </div>
      )}
    </div>
  );
}
