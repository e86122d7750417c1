import { Zip, ZipDeflate } from 'fflate';
import Papa from 'papaparse';
import { cardOf, traceBytes } from '../repositories/attempts';
import { writeDown } from '../repositories/audit';
import { attemptIdsOf, rowsAbout } from '../repositories/wholePerson';
import type { RequestContext } from '../service';
import { personSeen } from './people';

const READ_ME = `Everything that this station keeps of one person.

person.json       all of it, table by table; times are UTC
*.csv             the same tables for a spreadsheet
attempts/*.json   of each attempt that was handed in, its card and its trace: the start, and every command with its time in seconds

Passwords are kept as hashes and are not in here.
`;

/** A cell of a table: what is no figure and no text is written as JSON. */
const cell = (value: unknown): unknown =>
  value instanceof Date ? value.toISOString() : typeof value === 'object' && value !== null ? JSON.stringify(value) : value;

/** What is made piece by piece, as a stream that makes the next one when it is asked for. */
const streamOf = (pieces: AsyncGenerator<Uint8Array>): ReadableStream<Uint8Array> =>
  new ReadableStream({
    async pull(controller) {
      const { done, value } = await pieces.next();
      if (done) controller.close();
      else controller.enqueue(value);
    },
    cancel: () => void pieces.return(undefined),
  });

/** Everything of one person as one zip of JSON and CSV, piece by piece as it is read. For leads, those who teach the person, and the person. */
export async function wholePerson(asked: RequestContext, personId: string): Promise<{ readonly name: string; readonly bytes: ReadableStream<Uint8Array> }> {
  const person = await personSeen(asked, personId);
  const [rows, attempts] = await Promise.all([rowsAbout(asked.db, personId), attemptIdsOf(asked.db, personId)]);
  if (person.id !== asked.who.id) await writeDown(asked.db, { what: 'person-exported', byId: asked.who.id, aboutId: personId }, asked.now());

  async function* pieces(): AsyncGenerator<Uint8Array> {
    let ready: Uint8Array[] = [];
    const zip = new Zip((error, piece) => {
      if (error) throw error;
      ready.push(piece);
    });
    const add = (name: string, bytes: Uint8Array): void => {
      const file = new ZipDeflate(name, { level: 6 });
      zip.add(file);
      file.push(bytes, true);
    };
    const taken = (): Uint8Array[] => {
      const now = ready;
      ready = [];
      return now;
    };
    const text = (words: string): Uint8Array => new TextEncoder().encode(words);
    add('read-me.txt', text(READ_ME));
    add('person.json', text(JSON.stringify(rows, null, 1)));
    for (const [table, lines] of Object.entries(rows))
      if (lines.length > 0)
        add(
          `${table}.csv`,
          text(
            Papa.unparse(
              lines.map((line) => Object.fromEntries(Object.entries(line).map(([key, value]) => [key, cell(value)]))),
              { escapeFormulae: true },
            ),
          ),
        );
    yield* taken();
    for (const id of attempts) {
      const [card, trace] = await Promise.all([cardOf(asked.db, id), traceBytes(asked.db, id)]);
      const kept = trace ? JSON.parse(new TextDecoder().decode(trace)) : null;
      add(`attempts/${id}.json`, text(JSON.stringify({ card, trace: kept })));
      yield* taken();
    }
    zip.end();
    yield* taken();
  }
  return { name: `${person.signIn.replace(/[^a-z0-9._-]/g, '')}.zip`, bytes: streamOf(pieces()) };
}
