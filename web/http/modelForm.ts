import { viewSchema } from '@core';
import { LIMITS, type NamedBytes, placementSchema } from '@formats';
import { invalid, ServiceError } from '@server/errors';
import { z } from 'zod';

const settings = z.object({ placement: placementSchema, home: viewSchema.optional() });
const MOST_FILES = 40;

/** The files and settings of a model that is sent as a form. */
export async function readModelForm(request: Request): Promise<{ name: string; files: NamedBytes[] } & z.infer<typeof settings>> {
  if (Number(request.headers.get('content-length') ?? 0) > LIMITS.bytes + 1024 * 1024)
    throw new ServiceError(413, 'too-large', `The files have more than ${LIMITS.bytes / 1048576} MB together.`, 'files');
  const form = await request.formData().catch(() => {
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
