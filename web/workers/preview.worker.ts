import type { Mesh } from '@core/geometry';
import { encodeMesh } from '@formats/meshFile';
import { type Placement, placeMesh } from '@formats/placeMesh';
import { type NamedBytes, readModel } from '@formats/readModel';
import { expose, transfer } from 'comlink';

let read: { mesh: Mesh; warnings: string[] } | null = null;

/** A model as it would be imported, or the reason why not. */
export type Preview =
  | { readonly ok: true; readonly bytes: Uint8Array<ArrayBuffer>; readonly warnings: readonly string[] }
  | { readonly ok: false; readonly message: string };

const messageOf = (error: unknown): string => (error instanceof Error ? error.message : 'The file could not be read.');

const api = {
  /** Reads the files with the same code as the server. */
  async open(main: NamedBytes, companions: readonly NamedBytes[]): Promise<{ ok: true } | { ok: false; message: string }> {
    try {
      read = await readModel(main, companions);
      return { ok: true };
    } catch (error) {
      return { ok: false, message: messageOf(error) };
    }
  },
  /** The mesh placed, in the canonical form that the stage opens. */
  place(placement: Placement): Preview {
    if (!read) return { ok: false, message: 'No file is open.' };
    try {
      const bytes = encodeMesh(placeMesh(read.mesh, placement).mesh);
      return transfer({ ok: true, bytes, warnings: read.warnings }, [bytes.buffer]);
    } catch (error) {
      return { ok: false, message: messageOf(error) };
    }
  },
};
export type PreviewWorker = typeof api;
expose(api);
