import { LIMITS } from '@formats/formatError';
import { ServiceError } from '@server/errors';
import { parseSent } from '@server/json';
import type { ModelInput } from '@server/pool';
import type { ZodType } from 'zod';

/** Most bytes that a request may bring, by what it brings. */
export const MOST = {
  signIn: 8 * 1024,
  json: 256 * 1024,
  draft: 2 * 1024 * 1024,
  pictures: 10 * 1024 * 1024,
  handIn: 16 * 1024 * 1024,
  try: 18 * 1024 * 1024,
  people: 5 * 1024 * 1024,
  model: LIMITS.bytes + 1024 * 1024,
} as const;

const tooLarge = (most: number): ServiceError => {
  const size = most >= 1024 * 1024 ? `${most / 1024 / 1024} MB` : `${most / 1024} kB`;
  return new ServiceError(413, 'too-large', `This is more than the server takes at once: ${size} at most.`);
};

/** The body of a request, counted as it arrives, whatever its header says. More than `most` bytes are refused without being read. */
export async function readBytes(request: Request, most: number): Promise<Uint8Array<ArrayBuffer>> {
  if (Number(request.headers.get('content-length') ?? 0) > most) throw tooLarge(most);
  const reader = request.body?.getReader();
  const chunks: Uint8Array[] = [];
  let size = 0;
  while (reader) {
    const { done, value } = await reader.read().catch(() => {
      throw new ServiceError(400, 'cut-off', 'The request did not arrive whole: try again.');
    });
    if (done) break;
    size += value.length;
    // Not cancelled: that would close the connection before the answer is out. The answer itself closes it.
    if (size > most) throw tooLarge(most);
    chunks.push(value);
  }
  const bytes = new Uint8Array(size);
  let at = 0;
  for (const chunk of chunks) {
    bytes.set(chunk, at);
    at += chunk.length;
  }
  return bytes;
}

/** A JSON body, parsed by its schema; nothing stands for an empty object. */
export async function readJson<T>(request: Request, schema: ZodType<T>, most: number = MOST.json): Promise<T> {
  return schema.parse(parseSent(await readBytes(request, most)));
}

/** A form with files as it was sent; it is taken apart in the pool. */
export async function readForm(request: Request): Promise<Extract<ModelInput, { readonly form: Uint8Array }>> {
  const type = request.headers.get('content-type') ?? '';
  if (!type.startsWith('multipart/form-data')) throw new ServiceError(415, 'not-a-form', 'Send the files as a form.', 'files');
  return { form: await readBytes(request, MOST.model), type };
}
