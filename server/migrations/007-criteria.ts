import type { Knex } from 'knex';

const BATCH = 100;

interface KeptCard {
  readonly steps: readonly { readonly criteria: readonly { readonly id: string; readonly value: number | null; readonly points: number }[] }[];
}

/** The values of all criteria beside the cards, so that statistics need not read whole cards; filled for earlier attempts from theirs. */
export async function up(db: Knex): Promise<void> {
  if (!(await db.schema.hasTable('attempt_criteria'))) {
    await db.schema.createTable('attempt_criteria', (t) => {
      t.string('attempt_id', 36).notNullable().references('attempts.id').onDelete('cascade');
      t.integer('step').unsigned().notNullable();
      t.string('criterion', 40).notNullable();
      t.double('value').nullable();
      t.double('points').notNullable();
      t.primary(['attempt_id', 'step', 'criterion']);
      t.index(['criterion', 'attempt_id']);
    });
  }
  // A migration that was killed goes on where it was: attempts that have their rows are left out.
  for (let last = ''; ; ) {
    const rows: { id: string; card: string | object }[] = await db('attempts')
      .where('id', '>', last)
      .whereNotNull('card')
      .orderBy('id')
      .limit(BATCH)
      .select('id', 'card');
    if (rows.length === 0) return;
    last = rows.at(-1)?.id ?? last;
    const entries = rows.flatMap((row) => {
      const card = (typeof row.card === 'string' ? JSON.parse(row.card) : row.card) as KeptCard;
      return card.steps.flatMap((step, i) => step.criteria.map(({ id, value, points }) => ({ attempt_id: row.id, step: i, criterion: id, value, points })));
    });
    if (entries.length > 0) await db('attempt_criteria').insert(entries).onConflict(['attempt_id', 'step', 'criterion']).ignore();
  }
}

export async function down(db: Knex): Promise<void> {
  await db.schema.dropTableIfExists('attempt_criteria');
}
