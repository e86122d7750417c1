import { FormatError } from './formatError';

/** What the text of a JSON file may hold: so much is counted before any of it is read into memory. */
export interface JsonLimits {
  /** Objects and lists. */
  readonly containers: number;
  /** Entries of objects and lists. */
  readonly entries: number;
}

const QUOTE = 0x22;
const BACKSLASH = 0x5c;
const COMMA = 0x2c;
const BRACE = 0x7b;
const BRACKET = 0x5b;

/** Refuses a JSON text that would take more memory than its size lets one think: six million empty objects fit into 18 MB. */
export function checkJsonSize(bytes: Uint8Array, limits: JsonLimits, name: string): void {
  let containers = 0;
  let entries = 0;
  let quoted = false;
  for (let i = 0; i < bytes.length; i++) {
    const byte = bytes[i];
    if (quoted) {
      if (byte === BACKSLASH) i++;
      else if (byte === QUOTE) quoted = false;
    } else if (byte === QUOTE) quoted = true;
    else if (byte === COMMA) entries++;
    else if (byte === BRACE || byte === BRACKET) containers++;
  }
  if (containers > limits.containers || entries > limits.entries)
    throw new FormatError(
      'limit',
      `"${name}" describes more things than can be read: ${containers.toLocaleString('en')} groups, ${entries.toLocaleString('en')} entries.`,
    );
}
