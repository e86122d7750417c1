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

/** What a file may hold at most. `corners`: of all parts together; `depth`: of parts within parts. */
export const LIMITS = {
  bytes: 64 * 1024 * 1024,
  triangles: 2_000_000,
  corners: 6_000_000,
  parts: 5000,
  nodes: 20_000,
  depth: 100,
  json: { containers: 500_000, entries: 3_000_000 },
} as const;
