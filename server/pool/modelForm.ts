import { type View, viewSchema } from '@core';
import { type NamedBytes, type Placement, placementSchema } from '@formats';
import { z } from 'zod';
import { invalid } from '../errors';

const settings = z.object({ placement: placementSchema.optional(), home: viewSchema.optional() });
const MOST_FILES = 40;

export interface ModelForm {
  readonly name: string;
  readonly files: readonly NamedBytes[];
  readonly placement?: Placement | undefined;
  readonly home?: View | undefined;
}

/** The files and settings of a model that was sent as a form; `type`: its content type, with the boundary. */
export async function readModelForm(bytes: Uint8Array, type: string): Promise<ModelForm> {
  const form = await new Response(bytes as Uint8Array<ArrayBuffer>, { headers: { 'Content-Type': type } }).formData().catch(() => {
    throw invalid('The files did not arrive whole: try again.', 'files');
  });
  const sent = form.getAll('files').filter((entry): entry is File => entry instanceof File);
  if (sent.length > MOST_FILES) throw invalid(`Send ${MOST_FILES} files at most.`, 'files');
  const files = await Promise.all(sent.map(async (file) => ({ name: file.name, bytes: new Uint8Array(await file.arrayBuffer()) })));
  let value: unknown;
  try {
    value = JSON.parse(String(form.get('settings') ?? '{}'));
  } catch {
    throw invalid('The settings could not be read.', 'settings');
  }
  return { name: String(form.get('name') ?? ''), files, ...settings.parse(value) };
}
