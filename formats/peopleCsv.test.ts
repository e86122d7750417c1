import { describe, expect, it } from 'vitest';
import { encodingOf, readPeople } from './peopleCsv';

const utf8 = (text: string): Uint8Array => new TextEncoder().encode(text);
const bytesOf = (text: string): Uint8Array => Uint8Array.from(text, (letter) => letter.charCodeAt(0));
const utf16 = (text: string, big = false): Uint8Array =>
  Uint8Array.from(
    [...text].flatMap((letter) => (big ? [letter.charCodeAt(0) >> 8, letter.charCodeAt(0) & 255] : [letter.charCodeAt(0) & 255, letter.charCodeAt(0) >> 8])),
  );
const names = (bytes: Uint8Array, encoding?: Parameters<typeof readPeople>[1]): string[] => readPeople(bytes, encoding).lines.map(({ name }) => name);
const faults = (text: string): (readonly string[])[] => readPeople(utf8(text)).lines.map((line) => line.faults);

describe('a file of people', () => {
  it('is read by its header, whatever the order and the signs between', () => {
    const { lines, fault } = readPeople(utf8('Sign-in;NAME;Class\nada;Ada Byron;Watch one\n;Mary Ross;\n'));
    expect(fault).toBeNull();
    expect(lines).toEqual([
      { line: 2, name: 'Ada Byron', signIn: 'ada', role: 'trainee', group: 'Watch one', password: '', faults: [] },
      { line: 3, name: 'Mary Ross', signIn: '', role: 'trainee', group: '', password: '', faults: [] },
    ]);
    expect(names(utf8('first name,last name\nAda,Byron\n'))).toEqual(['Ada Byron']);
    expect(names(utf8('name\tgroup\n"Byron, Ada"\tone\n'))).toEqual(['Byron, Ada']);
  });

  it('is read in the encoding that it has', () => {
    const text = 'name\nJürgen Åström\n';
    expect(names(utf8(text))).toEqual(['Jürgen Åström']);
    expect(names(Uint8Array.from([0xef, 0xbb, 0xbf, ...utf8(text)]))).toEqual(['Jürgen Åström']);
    expect(names(bytesOf(text))).toEqual(['Jürgen Åström']);
    expect(encodingOf(bytesOf(text))).toBe('windows-1252');
    for (const big of [false, true]) {
      const marked = Uint8Array.from([...(big ? [0xfe, 0xff] : [0xff, 0xfe]), ...utf16(text, big)]);
      expect(names(marked)).toEqual(['Jürgen Åström']);
      expect(encodingOf(utf16('name,group\nAda,one\n', big))).toBe(big ? 'utf-16be' : 'utf-16le');
    }
    // 0xB3 is another letter in each.
    const polish = Uint8Array.from([...utf8('name\nPawe'), 0xb3, 10]);
    expect(names(polish)).toEqual(['Pawe³']);
    expect(names(polish, 'windows-1250')).toEqual(['Paweł']);
    // Told wrongly, it is said.
    expect(readPeople(bytesOf(text), 'utf-8').lines[0]?.faults).toEqual([expect.stringContaining('another encoding')]);
  });

  it.each([
    ['', 'empty'],
    ['\n\n', 'empty'],
    ['what,who\na,b\n', 'No column is called “name”'],
    ['name,Full name\na,b\n', 'Two columns mean the same'],
    ['name\n', 'nobody below'],
    [`name\n${'Ada Byron\n'.repeat(50_000)}`, 'has 50,000 people, and at most 500'],
  ])('that cannot be used at all says why: %#', (text, words) => {
    expect(readPeople(utf8(text))).toMatchObject({ lines: [], fault: expect.stringContaining(words) });
  });

  it.each([
    [',ada', 'name is missing'],
    [`${'x'.repeat(81)},ada`, 'longer than 80'],
    ['Ada,a', '2 to 59'],
    ['Ada,ada byron', '2 to 59'],
    ['"=cmd|x",ada', 'looks like a formula'],
    ['@Ada,ada', 'looks like a formula'],
  ])('explains a bad line: %s', (line, words) => {
    expect(faults(`name,sign-in\nMary Ross,mary\n${line}\n`)).toEqual([[], [expect.stringContaining(words)]]);
  });

  it('explains roles, passwords and quotation marks', () => {
    expect(faults('name,role\nAda,Chief\nMary,Instructor\n')).toEqual([[expect.stringContaining('“Chief”')], []]);
    expect(faults('name,password\nAda,short\nMary,long enough\n')).toEqual([[expect.stringContaining('8 to 200')], []]);
    expect(faults('name\nMary\n"Ada\n')).toEqual([[], [expect.stringContaining('not closed')]]);
  });

  it('finds who stands there twice', () => {
    expect(faults('name,sign-in,group\nAda,ada,\nAda B.,ADA,\nMary,,one\nMARY,,One\nMary,,two\n')).toEqual([
      [],
      [expect.stringContaining('line 2')],
      [],
      [expect.stringContaining('line 4')],
      [],
    ]);
  });
});
