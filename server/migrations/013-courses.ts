import type { Knex } from 'knex';

const ID = 36;

/** Courses of units of exercises, and which group goes through which. */
export async function up(db: Knex): Promise<void> {
  const made = (name: string): Promise<boolean> => db.schema.hasTable(name);
  if (!(await made('courses')))
    await db.schema.createTable('courses', (t) => {
      t.string('id', ID).primary();
      t.string('owner_id', ID).notNullable().references('people.id');
      t.string('name', 120).notNullable();
      t.text('about').notNullable();
      t.integer('threshold').notNullable();
      t.boolean('shared').notNullable().defaultTo(false);
      t.integer('revision').notNullable().defaultTo(1);
      t.datetime('updated_at', { precision: 3 }).notNullable();
      t.datetime('archived_at', { precision: 3 }).nullable();
    });
  if (!(await made('course_units')))
    await db.schema.createTable('course_units', (t) => {
      t.string('course_id', ID).notNullable().references('courses.id').onDelete('cascade');
      t.string('id', 64).notNullable();
      t.integer('position').notNullable();
      t.string('name', 80).notNullable();
      t.text('about').notNullable();
      t.string('opens_after', 64).nullable();
      t.primary(['course_id', 'id']);
    });
  if (!(await made('course_exercises')))
    await db.schema.createTable('course_exercises', (t) => {
      t.string('course_id', ID).notNullable();
      t.string('unit_id', 64).notNullable();
      t.string('exercise_id', ID).notNullable().references('exercises.id').onDelete('cascade');
      t.integer('position').notNullable();
      t.primary(['course_id', 'exercise_id']);
      t.foreign(['course_id', 'unit_id']).references(['course_id', 'id']).inTable('course_units').onDelete('cascade');
    });
  if (!(await made('group_courses')))
    await db.schema.createTable('group_courses', (t) => {
      t.string('group_id', ID).notNullable().references('groups.id').onDelete('cascade');
      t.string('course_id', ID).notNullable().references('courses.id').onDelete('cascade');
      t.date('starts_on').notNullable();
      t.integer('pace').nullable().comment('days for a unit');
      t.string('given_by', ID).nullable().references('people.id').onDelete('set null');
      t.datetime('given_at', { precision: 3 }).notNullable();
      t.primary(['group_id', 'course_id']);
    });
  if (!(await made('group_unit_dues')))
    await db.schema.createTable('group_unit_dues', (t) => {
      t.string('group_id', ID).notNullable();
      t.string('course_id', ID).notNullable();
      t.string('unit_id', 64).notNullable();
      t.date('due_on').notNullable();
      t.primary(['group_id', 'course_id', 'unit_id']);
      t.foreign(['group_id', 'course_id']).references(['group_id', 'course_id']).inTable('group_courses').onDelete('cascade');
      t.foreign(['course_id', 'unit_id']).references(['course_id', 'id']).inTable('course_units').onDelete('cascade');
    });
  if (!(await db.schema.hasColumn('assignments', 'alone')))
    await db.schema.alterTable('assignments', (t) => t.boolean('alone').notNullable().defaultTo(true).comment('given by itself, not only within a course'));
}

export async function down(db: Knex): Promise<void> {
  await db.schema.alterTable('assignments', (t) => t.dropColumn('alone'));
  for (const name of ['group_unit_dues', 'group_courses', 'course_exercises', 'course_units', 'courses']) await db.schema.dropTableIfExists(name);
}
