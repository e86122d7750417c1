import type { Knex } from 'knex';

const ID = 36;

/** People, groups, models, exercises, schemes, assignments, attempts: the shape that everything later builds on. */
export async function up(db: Knex): Promise<void> {
  await db.schema.createTable('people', (t) => {
    t.string('id', ID).primary();
    t.string('name', 80).notNullable();
    t.string('sign_in', 60).notNullable().unique();
    t.string('password_hash', 200).notNullable();
    t.enum('role', ['lead', 'instructor', 'trainee']).notNullable();
    t.datetime('created_at', { precision: 3 }).notNullable();
  });
  await db.schema.createTable('sessions', (t) => {
    t.string('token_hash', 64).primary();
    t.string('person_id', ID).notNullable().references('people.id').onDelete('cascade');
    t.datetime('expires_at', { precision: 3 }).notNullable().index();
  });
  await db.schema.createTable('sign_in_failures', (t) => {
    t.bigIncrements('id');
    t.string('account', 60).notNullable();
    t.string('address', 64).notNullable();
    t.datetime('at', { precision: 3 }).notNullable();
    t.index(['account', 'at']);
    t.index(['address', 'at']);
  });
  await db.schema.createTable('groups', (t) => {
    t.string('id', ID).primary();
    t.string('name', 80).notNullable();
    t.datetime('created_at', { precision: 3 }).notNullable();
  });
  await db.schema.createTable('memberships', (t) => {
    t.string('group_id', ID).notNullable().references('groups.id').onDelete('cascade');
    t.string('person_id', ID).notNullable().references('people.id').onDelete('cascade');
    t.enum('role', ['instructor', 'trainee']).notNullable();
    t.primary(['group_id', 'person_id']);
    t.index(['person_id', 'role']);
  });
  await db.schema.createTable('models', (t) => {
    t.string('id', ID).primary();
    t.string('owner_id', ID).notNullable().references('people.id');
    t.string('name', 80).notNullable();
    t.boolean('shared').notNullable().defaultTo(false);
    t.datetime('created_at', { precision: 3 }).notNullable();
  });
  await db.schema.createTable('model_revisions', (t) => {
    t.string('model_id', ID).notNullable().references('models.id').onDelete('cascade');
    t.integer('revision').unsigned().notNullable();
    t.string('mesh_hash', 64).notNullable().index();
    t.json('home').notNullable();
    t.json('summary').notNullable();
    t.json('settings').notNullable();
    t.datetime('created_at', { precision: 3 }).notNullable();
    t.primary(['model_id', 'revision']);
  });
  await db.schema.createTable('scheme_revisions', (t) => {
    t.string('id', 64).notNullable();
    t.integer('revision').unsigned().notNullable();
    t.string('owner_id', ID).nullable().references('people.id');
    t.string('family', 20).notNullable();
    t.json('content').notNullable();
    t.primary(['id', 'revision']);
  });
  await db.schema.createTable('exercises', (t) => {
    t.string('id', ID).primary();
    t.string('owner_id', ID).notNullable().references('people.id');
    t.boolean('shared').notNullable().defaultTo(false);
    t.specificType('draft', 'longtext').notNullable();
    t.datetime('updated_at', { precision: 3 }).notNullable();
  });
  await db.schema.createTable('exercise_versions', (t) => {
    t.string('exercise_id', ID).notNullable().references('exercises.id').onDelete('cascade');
    t.integer('version').unsigned().notNullable();
    t.string('title', 120).notNullable();
    t.specificType('content', 'longtext').notNullable();
    t.json('pictures').notNullable();
    t.datetime('published_at', { precision: 3 }).notNullable();
    t.primary(['exercise_id', 'version']);
  });
  await db.schema.createTable('assignments', (t) => {
    t.string('id', ID).primary();
    t.string('group_id', ID).notNullable().references('groups.id').onDelete('cascade');
    t.string('exercise_id', ID).notNullable();
    t.integer('version').unsigned().notNullable();
    t.integer('position').notNullable();
    t.date('due_on').nullable();
    t.foreign(['exercise_id', 'version']).references(['exercise_id', 'version']).inTable('exercise_versions');
    t.unique(['group_id', 'exercise_id']);
  });
  await db.schema.createTable('attempts', (t) => {
    t.string('id', ID).primary();
    t.string('person_id', ID).notNullable().references('people.id');
    t.string('exercise_id', ID).notNullable();
    t.integer('version').unsigned().notNullable();
    t.string('model_id', ID).notNullable();
    t.integer('model_revision').unsigned().notNullable();
    t.string('scheme_id', 64).notNullable();
    t.integer('scheme_revision').unsigned().notNullable();
    t.integer('seed').unsigned().notNullable();
    t.datetime('opened_at', { precision: 3 }).notNullable();
    t.datetime('handed_in_at', { precision: 3 }).nullable();
    t.specificType('trace', 'longblob').nullable();
    t.specificType('card', 'longtext').nullable();
    t.double('score').nullable();
    t.integer('flashes').nullable();
    t.double('seconds').nullable();
    t.integer('gestures').nullable();
    t.foreign(['exercise_id', 'version']).references(['exercise_id', 'version']).inTable('exercise_versions');
    t.foreign(['model_id', 'model_revision']).references(['model_id', 'revision']).inTable('model_revisions');
    t.foreign(['scheme_id', 'scheme_revision']).references(['id', 'revision']).inTable('scheme_revisions');
    t.index(['person_id', 'handed_in_at']);
    t.index(['exercise_id', 'person_id', 'handed_in_at']);
  });
  await db.schema.createTable('attempt_steps', (t) => {
    t.string('attempt_id', ID).notNullable().references('attempts.id').onDelete('cascade');
    t.integer('step').unsigned().notNullable();
    t.string('skill', 30).notNullable();
    t.double('score').notNullable();
    t.double('seconds').nullable();
    t.primary(['attempt_id', 'step']);
    t.index(['skill', 'attempt_id']);
  });
}

export async function down(db: Knex): Promise<void> {
  for (const table of [
    'attempt_steps',
    'attempts',
    'assignments',
    'exercise_versions',
    'exercises',
    'scheme_revisions',
    'model_revisions',
    'models',
    'memberships',
    'groups',
    'sign_in_failures',
    'sessions',
    'people',
  ])
    await db.schema.dropTableIfExists(table);
}
