export function has(program: string): boolean;
export function command(
  program: string,
  args: readonly string[],
  options?: { quiet?: boolean; env?: Record<string, string>; advice?: string },
): Promise<string>;
