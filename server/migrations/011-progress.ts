import type { Knex } from 'knex';

const ID = 36;
const BATCH = 200;

/** What a kept card says of its criteria, as far as it is needed here. */
interface KeptCard {
  readonly steps: readonly {
    readonly criteria: readonly {
      readonly id: string;
      readonly weight: number;
      readonly points: number;
      readonly startPoints?: number;
      readonly leftOut?: true;
    }[];
  }[];
}

/** What each criterion cost, beside its value; what attempts tell of skills, the levels that come of it, and when a skill is due. */
export async function up(db: Knex): Promise<void> {
  if (!(await db.schema.hasColumn('attempt_criteria', 'lost')))
    await db.schema.alterTable('attempt_criteria', (t) => t.double('lost').nullable().comment('share of what was to gain in the attempt'));
  if (!(await db.schema.hasTable('skill_observations'))) {
    await db.schema.createTable('skill_observations', (t) => {
      t.string('attempt_id', ID).notNullable().references('attempts.id').onDelete('cascade');
      t.string('skill', 30).notNullable();
      t.string('person_id', ID).notNullable().references('people.id').onDelete('cascade');
      t.string('family', 20).notNullable();
      t.string('exercise_id', ID).notNullable();
      t.datetime('at', { precision: 3 }).notNullable();
      t.string('day', 10).notNullable();
      t.double('score').notNullable();
      t.double('difficulty').notNullable();
      t.boolean('helped').notNullable();
      t.boolean('hinted').notNullable();
      t.primary(['attempt_id', 'skill']);
      t.index(['person_id', 'skill', 'family', 'at']);
      t.index(['exercise_id', 'skill', 'person_id', 'at']);
    });
  }
  if (!(await db.schema.hasTable('first_tries'))) {
    await db.schema.createTable('first_tries', (t) => {
      t.string('skill', 30).notNullable();
      t.string('exercise_id', ID).notNullable();
      t.integer('learners').unsigned().notNullable();
      // Whole numbers: their sum is the same in whatever order they came.
      t.bigInteger('odds_millionths').notNullable();
      t.primary(['skill', 'exercise_id']);
    });
  }
  if (!(await db.schema.hasTable('skill_levels'))) {
    await db.schema.createTable('skill_levels', (t) => {
      t.string('person_id', ID).notNullable().references('people.id').onDelete('cascade');
      t.string('skill', 30).notNullable();
      t.string('family', 20).notNullable();
      t.double('theta').notNullable();
      t.double('variance').notNullable();
      t.datetime('at', { precision: 3 }).notNullable();
      t.integer('count').unsigned().notNullable();
      t.integer('days').unsigned().notNullable();
      t.string('last_day', 10).notNullable();
      t.boolean('last_hinted').notNullable();
      t.primary(['person_id', 'skill', 'family']);
    });
  }
  if (!(await db.schema.hasTable('schedules'))) {
    await db.schema.createTable('schedules', (t) => {
      t.string('person_id', ID).notNullable().references('people.id').onDelete('cascade');
      t.string('skill', 30).notNullable();
      t.string('family', 20).notNullable();
      t.datetime('due_at', { precision: 3 }).notNullable();
      t.json('content').notNullable();
      t.primary(['person_id', 'skill', 'family']);
      t.index(['person_id', 'due_at']);
    });
  }
  for (let last = ''; ; ) {
    const rows: { id: string; card: string | object }[] = await db('attempts')
      .where('id', '>', last)
      .whereNotNull('card')
      .orderBy('id')
      .limit(BATCH)
      .select('id', 'card');
    if (rows.length === 0) return;
    last = rows.at(-1)?.id ?? last;
    for (const row of rows) {
      const { steps } = (typeof row.card === 'string' ? JSON.parse(row.card) : row.card) as KeptCard;
      const counted = steps.flatMap(({ criteria }) => criteria).filter(({ leftOut }) => !leftOut);
      const toGain = counted.reduce((sum, { weight, startPoints = 0 }) => sum + weight * (1 - startPoints), 0);
      if (toGain <= 0) continue;
      for (const [step, { criteria }] of steps.entries())
        for (const { id, weight, points, leftOut } of criteria)
          await db('attempt_criteria')
            .where({ attempt_id: row.id, step, criterion: id })
            .update({ lost: leftOut ? 0 : (weight * (1 - points)) / toGain });
    }
  }
}

export async function down(db: Knex): Promise<void> {
  for (const table of ['schedules', 'skill_levels', 'first_tries', 'skill_observations']) await db.schema.dropTableIfExists(table);
  await db.schema.alterTable('attempt_criteria', (t) => t.dropColumn('lost'));
}
