import { PrintButton } from '@web/ui/PrintButton';
import Papa from 'papaparse';

interface Props {
  readonly people: readonly {
    readonly name: string;
    readonly signIn: string;
    /** Null: the file that they came from tells it. */
    readonly password: string | null;
    readonly group?: string;
  }[];
  /** Whether the page holds little else, so that it can be printed. */
  readonly printed?: boolean;
}

/** A CSV file's text as the address of a download. */
export const asDownload = (text: string): string => `data:text/csv;charset=utf-8,${encodeURIComponent(`\ufeff${text}`)}`;

/** First passwords, which are shown once, to be handed out. */
export function FirstPasswords({ people, printed = false }: Props) {
  const grouped = people.some(({ group }) => group);
  const told = (password: string | null): string => password ?? 'as in the file';
  const rows = people.map(({ name, signIn, group, password }) => ({ name, ...(grouped ? { group } : {}), sign_in: signIn, first_password: told(password) }));
  return (
    <>
      <p className="mt-1">
        <strong>The passwords are shown this once.</strong> {printed ? 'Print them or save them' : 'Save them'}, and give each person theirs; each can choose
        another under their name.
      </p>
      <div className="my-3 flex gap-3 print:hidden">
        {printed && <PrintButton className="button" />}
        <a className="button" href={asDownload(Papa.unparse(rows, { escapeFormulae: true }))} download="first-passwords.csv">
          Save as CSV
        </a>
      </div>
      <table className="w-full text-left">
        <thead>
          <tr className="border-ink border-b text-ink-soft text-sm">
            <th className="py-1.5 font-normal">Name</th>
            {grouped && <th className="font-normal">Group</th>}
            <th className="font-normal">Signs in as</th>
            <th className="font-normal">First password</th>
          </tr>
        </thead>
        <tbody>
          {people.map(({ name, signIn, group, password }) => (
            <tr key={signIn} className="border-rule border-b">
              <td className="py-1.5">{name}</td>
              {grouped && <td>{group}</td>}
              <td className="font-mono text-sm">{signIn}</td>
              <td className="font-mono text-sm">{told(password)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}
