import Papa from 'papaparse';

/** Encodings that a file of people may have, as they are named for people. */
export const ENCODINGS = {
  'utf-8': 'UTF-8',
  'utf-16le': 'UTF-16, low byte first',
  'utf-16be': 'UTF-16, high byte first',
  'windows-1252': 'Windows, Western Europe',
  'windows-1250': 'Windows, Central Europe',
  'windows-1251': 'Windows, Cyrillic',
} as const;

export type Encoding = keyof typeof ENCODINGS;

/** Most people that one file may bring. */
export const MOST_ROWS = 500;

/** A line of the file as a person, and what is wrong with it. */
export interface PersonLine {
  /** The line in the file, the header's being 1. */
  readonly line: number;
  readonly name: string;
  /** Empty: one is made of the name. */
  readonly signIn: string;
  readonly role: 'trainee' | 'instructor';
  /** Empty: into no group. */
  readonly group: string;
  /** Empty: one is made. */
  readonly password: string;
  /** What is wrong with the line, as sentences; none: nothing. */
  readonly faults: readonly string[];
}

export interface PeopleFile {
  readonly encoding: Encoding;
  readonly lines: readonly PersonLine[];
  /** Why nothing of the file can be used; null: it can. */
  readonly fault: string | null;
}

/** The encoding that the first bytes tell, or that the text allows: a guess, for a byte is a letter in each of the single-byte ones. */
export function encodingOf(bytes: Uint8Array): Encoding {
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return 'utf-16le';
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return 'utf-16be';
  const head = bytes.subarray(0, 200);
  const zeros = (odd: number): number => head.reduce((n, byte, i) => n + (byte === 0 && i % 2 === odd ? 1 : 0), 0);
  if (zeros(1) > head.length / 5) return 'utf-16le';
  if (zeros(0) > head.length / 5) return 'utf-16be';
  try {
    new TextDecoder('utf-8', { fatal: true }).decode(bytes);
    return 'utf-8';
  } catch {
    return 'windows-1252';
  }
}

type Column = 'name' | 'first' | 'last' | 'signIn' | 'role' | 'group' | 'password';

/** What columns are called, without case, spaces and signs. */
const CALLED: Record<string, Column> = {
  name: 'name',
  fullname: 'name',
  person: 'name',
  learner: 'name',
  firstname: 'first',
  givenname: 'first',
  lastname: 'last',
  surname: 'last',
  familyname: 'last',
  signin: 'signIn',
  signinname: 'signIn',
  login: 'signIn',
  user: 'signIn',
  username: 'signIn',
  role: 'role',
  group: 'group',
  class: 'group',
  password: 'password',
};

const columnOf = (header: string): Column | null => CALLED[header.toLowerCase().replace(/[^a-z]/g, '')] ?? null;

const LONGEST_NAME = 80;
const SHORTEST_PASSWORD = 8;
const LONGEST_PASSWORD = 200;
const SIGN_IN = /^[a-z0-9][a-z0-9._-]{1,58}$/;
/** A cell that a spreadsheet would compute. */
const FORMULA = /^[=+@\t\r]|^-\D/;

const nothing = (fault: string, encoding: Encoding): PeopleFile => ({ encoding, lines: [], fault });

function lineOf(cells: Readonly<Record<Column, string>>, line: number): PersonLine {
  const faults: string[] = [];
  const name = (cells.name || `${cells.first} ${cells.last}`).trim().replace(/\s+/g, ' ');
  const signIn = cells.signIn.toLowerCase();
  const role = cells.role.toLowerCase() || 'trainee';
  if (name === '') faults.push('The name is missing.');
  if (name.length > LONGEST_NAME) faults.push(`The name is longer than ${LONGEST_NAME} characters.`);
  if (name.includes('\ufffd')) faults.push('The name could not be read: choose another encoding.');
  for (const cell of [name, cells.signIn, cells.group]) if (FORMULA.test(cell)) faults.push(`“${cell.slice(0, 30)}” looks like a formula.`);
  if (signIn !== '' && !SIGN_IN.test(signIn)) faults.push('A sign-in name has 2 to 59 letters, digits, dots or dashes.');
  if (role !== 'trainee' && role !== 'instructor') faults.push(`The role is “${cells.role.slice(0, 30)}”: write trainee or instructor.`);
  if (cells.group.length > LONGEST_NAME) faults.push(`The group's name is longer than ${LONGEST_NAME} characters.`);
  if (cells.password !== '' && (cells.password.length < SHORTEST_PASSWORD || cells.password.length > LONGEST_PASSWORD))
    faults.push(`A password has ${SHORTEST_PASSWORD} to ${LONGEST_PASSWORD} characters.`);
  return { line, name, signIn, role: role === 'instructor' ? role : 'trainee', group: cells.group, password: cells.password, faults };
}

/** Says of lines that mean the same person so, from the second on. */
function withTwins(lines: readonly PersonLine[]): PersonLine[] {
  const first = new Map<string, number>();
  return lines.map((each) => {
    const keys = each.signIn === '' ? [`name ${each.name.toLowerCase()} in ${each.group.toLowerCase()}`] : [`signs in as ${each.signIn}`];
    const faults = [...each.faults];
    for (const key of each.name === '' ? [] : keys) {
      const before = first.get(key);
      if (before === undefined) first.set(key, each.line);
      else if (each.signIn === '') faults.push(`The same name stands in line ${before}: give both a sign-in name if they are two people.`);
      else faults.push(`The same sign-in name stands in line ${before}.`);
    }
    return { ...each, faults };
  });
}

/** Reads people from a CSV file with a header row; its encoding is told, or guessed. Separated by commas, semicolons or tabs. */
export function readPeople(bytes: Uint8Array, told: Encoding | null = null): PeopleFile {
  const encoding = told ?? encodingOf(bytes);
  // A byte-order mark is left out by the decoder.
  const text = new TextDecoder(encoding).decode(bytes);
  const { data, errors } = Papa.parse<string[]>(text, { skipEmptyLines: 'greedy' });
  const [header, ...rows] = data;
  if (!header) return nothing('The file is empty.', encoding);
  const columns = header.map(columnOf);
  if (!columns.includes('name') && !(columns.includes('first') && columns.includes('last')))
    return nothing(
      'No column is called “name”. The first line names the columns: name, sign-in, role, group, password; all but the name may be missing.',
      encoding,
    );
  const twice = columns.find((column, i) => column !== null && columns.indexOf(column) !== i);
  if (twice) return nothing('Two columns mean the same: leave one of them out.', encoding);
  if (rows.length === 0) return nothing('There is nobody below the first line.', encoding);
  if (rows.length > MOST_ROWS)
    return nothing(
      `The file has ${rows.length.toLocaleString('en')} people, and at most ${MOST_ROWS} are taken in at once. Divide it, and import one part after the other.`,
      encoding,
    );
  const torn = new Map(errors.map((error) => [error.row ?? 0, error.type === 'Quotes' ? 'A quotation mark is not closed.' : null]));
  const lines = rows.map((row, i) => {
    const cellsOf = (column: Column): string => row[columns.indexOf(column)]?.trim() ?? '';
    const cells = Object.fromEntries((['name', 'first', 'last', 'signIn', 'role', 'group', 'password'] as const).map((each) => [each, cellsOf(each)]));
    const read = lineOf(cells as Record<Column, string>, i + 2);
    const words = torn.get(i + 1);
    return words ? { ...read, faults: [words, ...read.faults] } : read;
  });
  return { encoding, lines: withTwins(lines), fault: null };
}
