import { type ChildProcess, spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type OwnMariaDb, startMariaDb } from '../../scripts/setup/mariaDb.mjs';
import { keepRunning } from '../../scripts/setup/watch.mjs';
import { connect, ensureDatabase } from '../database';

/** Starts as they happen: in any folder, after any crash, two at once. */
let parent: string;
beforeAll(() => {
  // Only its owner may enter it, and its name is not one that programs like.
  parent = mkdtempSync(join(tmpdir(), 'dial home ü '));
});
afterAll(() => rmSync(parent, { recursive: true, force: true }));

const answers = async ({ url }: OwnMariaDb): Promise<boolean> => {
  await ensureDatabase(`${url}/kept`);
  const db = connect(`${url}/kept`, 'kept');
  try {
    await db.raw('create table if not exists notes (id int primary key)');
    await db.raw('insert ignore into notes values (1)');
    return (await db('notes')).length === 1;
  } finally {
    await db.destroy();
  }
};
const pidOf = (folder: string): number => Number(readFileSync(join(folder, 'm.pid'), 'utf8'));
const options = { relaxed: true };

describe('the database', () => {
  it('starts in a folder that only its owner may enter, with blanks and an umlaut in its path, and again with its data', async () => {
    const folder = join(parent, 'first');
    const first = await startMariaDb(folder, options);
    expect(await answers(first)).toBe(true);
    await first.stop();
    const second = await startMariaDb(folder, options);
    expect(second.port).toBe(first.port);
    expect(await answers(second)).toBe(true);
    await second.stop();
    expect(spawnSync('stat', ['-c', '%a', folder], { encoding: 'utf8' }).stdout.trim()).toBe('700');
    expect(spawnSync('stat', ['-c', '%a', join(folder, 'password')], { encoding: 'utf8' }).stdout.trim()).toBe('600');
  });

  it('starts after the server was killed, after its password was lost, and with half-made data beside it', async () => {
    const folder = join(parent, 'second');
    const killed = await startMariaDb(folder, options);
    expect(await answers(killed)).toBe(true);
    process.kill(pidOf(folder), 'SIGKILL');
    expect(await killed.ended).toBe('SIGKILL');

    rmSync(join(folder, 'password'));
    mkdirSync(join(folder, 'data.new-123'));
    writeFileSync(join(folder, 'data.new-123', 'ibdata1'), 'half');
    const again = await startMariaDb(folder, options);
    expect(await answers(again)).toBe(true);
    expect(readdirSync(folder).filter((name) => name.startsWith('data.new'))).toEqual([]);
    await again.stop();
  });

  it('puts data aside that a killed set-up left half-made, and begins with new ones', async () => {
    const folder = join(parent, 'third');
    mkdirSync(join(folder, 'data', 'mysql'), { recursive: true });
    writeFileSync(join(folder, 'password'), 'of data that never were');
    const begun = await startMariaDb(folder, options);
    expect(await answers(begun)).toBe(true);
    expect(readdirSync(folder).some((name) => name.startsWith('data.broken'))).toBe(true);
    await begun.stop();
  });

  it('two starts at once begin one; what a killed start left behind is ended and begun anew', async () => {
    const folder = join(parent, 'fourth');
    const script = `import { startMariaDb } from ${JSON.stringify(join(process.cwd(), 'scripts/setup/mariaDb.mjs'))};
      const own = await startMariaDb(process.argv[1], { relaxed: true });
      process.stdout.write(String(own.port) + '\\n');
      setInterval(() => {}, 1000);`;
    const start = (): ChildProcess => spawn(process.execPath, ['--input-type=module', '-e', script, folder], { stdio: ['ignore', 'pipe', 'inherit'] });
    const portOf = (child: ChildProcess): Promise<string> =>
      new Promise((done, fail) => {
        child.stdout?.once('data', (text) => done(String(text).trim()));
        child.once('exit', (code) => fail(new Error(`ended with ${code}`)));
      });
    const both = [start(), start()];
    const ports = await Promise.all(both.map(portOf));
    expect(ports[0]).toBe(ports[1]);
    const left = pidOf(folder);
    for (const child of both) child.kill('SIGKILL');
    await Promise.all(both.map((child) => new Promise((done) => child.once('exit', done))));
    const own = await startMariaDb(folder, options);
    expect(pidOf(folder)).not.toBe(left);
    expect(existsSync(`/proc/${left}`)).toBe(false);
    expect(await answers(own)).toBe(true);
    await own.stop();
  });
});

describe('what is watched', () => {
  it('is started again when it ends, with a growing pause and a word each time, and ends when it is asked to', async () => {
    const said: string[] = [];
    const enders: ((why: string) => void)[] = [];
    let refuse = false;
    const watched = await keepRunning(
      'the thing',
      async () => {
        if (refuse) throw new Error('no room');
        let end: (why: string) => void = () => {};
        const ended = new Promise<string>((done) => {
          end = done;
        });
        enders.push(end);
        return { ended, stop: async () => end('asked') };
      },
      (text) => said.push(text),
      40,
    );
    enders[0]?.('code 1');
    await expect.poll(() => enders.length).toBe(2);
    refuse = true;
    enders[1]?.('SIGKILL');
    await expect.poll(() => said.filter((text) => text.includes('could not be started: no room')).length).toBeGreaterThan(1);
    refuse = false;
    await expect.poll(() => enders.length).toBe(3);
    await watched.stop();
    expect(said[0]).toMatch(/the thing ended \(code 1\); starting it again in 0\.04 s/);
    await new Promise((done) => setTimeout(done, 100));
    expect(enders.length).toBe(3);
  });
});
