import type { Knex } from 'knex';

/** Compares byte by byte, trailing blanks included: what differs by case or accent is another gesture. */
const BINARY = 'character set utf8mb4 collate utf8mb4_nopad_bin';

/** What a class relies on: files in the database, limits that all processes share, and what is known of an attempt beside its score. */
export async function up(db: Knex): Promise<void> {
  // Each change looks whether it was made: MariaDB keeps half of a migration that was killed.
  const table = async (name: string, make: (t: Knex.CreateTableBuilder) => void): Promise<void> => {
    if (!(await db.schema.hasTable(name))) await db.schema.createTable(name, make);
  };
  const column = async (of: string, name: string, make: (t: Knex.AlterTableBuilder) => void): Promise<void> => {
    if (!(await db.schema.hasColumn(of, name))) await db.schema.alterTable(of, make);
  };
  await table('blobs', (t) => {
    t.string('hash', 64).primary();
    t.bigInteger('size').unsigned().notNullable();
    t.datetime('created_at', { precision: 3 }).notNullable();
  });
  await table('blob_chunks', (t) => {
    t.string('hash', 64).notNullable().references('blobs.hash').onDelete('cascade');
    t.integer('number').unsigned().notNullable();
    t.specificType('bytes', 'longblob').notNullable();
    t.primary(['hash', 'number']);
  });
  await table('limits', (t) => {
    t.string('key', 255).primary();
    t.integer('points').notNullable().defaultTo(0);
    t.bigInteger('expire').nullable().index();
  });
  await db.schema.dropTableIfExists('sign_in_failures');
  await table('settings', (t) => {
    t.string('name', 60).primary();
    t.string('value', 200).notNullable();
  });
  await column('people', 'made_up', (t) => t.boolean('made_up').notNullable().defaultTo(false));
  await column('attempts', 'refused_at', (t) => {
    t.json('unlikely').nullable();
    t.json('hints_given').nullable();
    t.boolean('late').notNullable().defaultTo(false);
    t.string('refused_why', 200).nullable();
    t.datetime('refused_at', { precision: 3 }).nullable();
    t.specificType('refused_body', 'longblob').nullable();
    t.index(['person_id', 'refused_at'], 'attempts_refused');
  });
  await column('exercise_versions', 'model_id', (t) => {
    t.string('model_id', 36).nullable();
    t.integer('model_revision').unsigned().nullable();
  });
  await db.raw("update exercise_versions set model_id = json_value(content, '$.model.id'), model_revision = json_value(content, '$.model.revision')");
  await db.raw(`alter table attempt_slips modify gesture varchar(80) ${BINARY} not null, modify wanted varchar(40) ${BINARY} not null`);
  // Of two landmarks with one name, the later one is told apart by a number before the name becomes unique.
  const rows: { id: string; model_id: string; mesh_hash: string; name: string }[] = await db('landmarks').orderBy(['created_at', 'id']);
  const known = new Set<string>();
  for (const row of rows) {
    const key = (name: string): string => `${row.model_id} ${row.mesh_hash} ${name.toLowerCase()}`;
    let { name } = row;
    for (let n = 2; known.has(key(name)); n++) name = `${row.name.slice(0, 56)} ${n}`;
    known.add(key(name));
    if (name !== row.name) await db('landmarks').where({ id: row.id }).update({ name });
  }
  await db.raw('alter table landmarks add unique key if not exists landmarks_named (model_id, mesh_hash, name)');
}

export async function down(db: Knex): Promise<void> {
  await db.schema.alterTable('landmarks', (t) => t.dropUnique(['model_id', 'mesh_hash', 'name'], 'landmarks_named'));
  await db.raw('alter table attempt_slips modify gesture varchar(80) not null, modify wanted varchar(40) not null');
  await db.schema.alterTable('attempts', (t) => {
    t.dropIndex(['person_id', 'refused_at'], 'attempts_refused');
    t.dropColumns('unlikely', 'hints_given', 'late', 'refused_why', 'refused_at', 'refused_body');
  });
  await db.schema.alterTable('exercise_versions', (t) => t.dropColumns('model_id', 'model_revision'));
  await db.schema.alterTable('people', (t) => t.dropColumn('made_up'));
  for (const table of ['settings', 'limits', 'blob_chunks', 'blobs']) await db.schema.dropTableIfExists(table);
  await db.schema.createTable('sign_in_failures', (t) => {
    t.bigIncrements('id');
    t.string('account', 60).notNullable();
    t.string('address', 64).notNullable();
    t.datetime('at', { precision: 3 }).notNullable();
    t.index(['account', 'at']);
    t.index(['address', 'at']);
  });
}
