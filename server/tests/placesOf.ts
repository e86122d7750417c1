import type { Database } from '../database';

/** Every place of a database that holds one of these texts, as `table.column`. */
export async function placesOf(db: Database, ...texts: string[]): Promise<string[]> {
  const [columns] = (await db.raw(
    "select table_name as t, column_name as c from information_schema.columns where table_schema = database() and data_type in ('varchar', 'char', 'text', 'longtext', 'json', 'mediumtext')",
  )) as [{ t: string; c: string }[]];
  const found: string[] = [];
  for (const { t, c } of columns)
    for (const text of texts)
      if (
        await db(t)
          .whereRaw('cast(?? as char) like ?', [c, `%${text}%`])
          .first(db.raw('1'))
      )
        found.push(`${t}.${c}`);
  return found;
}
