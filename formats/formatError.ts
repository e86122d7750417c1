/** A file that cannot be used: `code` for programs, a sentence for people. */
export class FormatError extends Error {
  override readonly name = 'FormatError';
  constructor(
    readonly code: 'truncated' | 'format' | 'broken' | 'companion' | 'empty' | 'limit' | 'extension' | 'cycle' | 'numbers' | 'index',
    message: string,
  ) {
    super(message);
  }
}

/** What a file may hold at most. */
export const LIMITS = { bytes: 64 * 1024 * 1024, triangles: 2_000_000, parts: 5000 } as const;
