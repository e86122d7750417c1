import { createServer } from 'node:net';
import { describe, expect, it } from 'vitest';
import { command, has } from './commands.mjs';
import { freePort } from './mariaDb.mjs';
import { Advice, run } from './say.mjs';

describe('free ports', () => {
  it('the wanted one when it is free, another when it is taken', async () => {
    const port = await freePort();
    expect(await freePort(port)).toBe(port);
    const taken = createServer();
    await new Promise<void>((done) => taken.listen(port, '127.0.0.1', done));
    const other = await freePort(port);
    expect(other).not.toBe(port);
    expect(other).toBeGreaterThan(0);
    await new Promise((done) => taken.close(done));
  });
});

describe('commands', () => {
  it('are found on the path, or not', () => {
    expect(has('node')).toBe(true);
    expect(has('no-such-program-anywhere')).toBe(false);
  });

  it('give what they said, and fail with advice and their last words', async () => {
    await expect(command('node', ['-e', 'console.log(6 * 7)'], { quiet: true })).resolves.toBe('42\n');
    await expect(command('node', ['-e', 'console.error("no room"); process.exit(3)'], { quiet: true, advice: 'Make room.' })).rejects.toThrow(
      /no room[\s\S]*Make room\./,
    );
    await expect(command('no-such-program-anywhere', [], { quiet: true })).rejects.toBeInstanceOf(Advice);
  });

  it('advice is one sentence without a stack, and the script has failed', async () => {
    const before = process.exitCode;
    const written: string[] = [];
    const write = process.stderr.write;
    process.stderr.write = ((text: string) => written.push(text) > 0) as typeof process.stderr.write;
    try {
      await run(async () => {
        throw new Advice('Free some space, then run this again.');
      });
    } finally {
      process.stderr.write = write;
    }
    expect(written.join('')).toBe('\nFree some space, then run this again.\n');
    expect(process.exitCode).toBe(1);
    process.exitCode = before;
  });
});
