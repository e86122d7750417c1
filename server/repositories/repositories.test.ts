import { describe, expect, it } from 'vitest';
import { databaseName, migrate } from '../database';
import { newId } from '../ids';
import { migrations } from '../migrations';
import { person, school } from '../tests/testService';
import { useService } from '../tests/useSchool';
import { addGroup, addMember, findBySignIn, groupsOf, listPeople, membersOf, removeMember, teaches } from './people';

const service = useService();

describe('people and groups', () => {
  it('are found by name and listed by it', async () => {
    const who = await person(service, 'instructor');
    expect((await findBySignIn(service.db, who.signIn))?.person).toEqual(who);
    expect(await findBySignIn(service.db, 'nobody')).toBeNull();
    const names = (await listPeople(service.db)).map((p) => p.name);
    expect(names).toEqual([...names].sort((a, b) => a.localeCompare(b)));
  });

  it('a membership is there once, takes its newest role, and can be ended', async () => {
    const who = await person(service, 'instructor');
    const group = { id: newId(), name: 'Watch' };
    await addGroup(service.db, group, service.now());
    await addMember(service.db, group.id, who.id, 'trainee');
    await addMember(service.db, group.id, who.id, 'instructor');
    expect(await membersOf(service.db, group.id, 'trainee')).toEqual([]);
    expect(await membersOf(service.db, group.id, 'instructor')).toEqual([who]);
    expect(await groupsOf(service.db, who.id, 'instructor')).toEqual([group]);
    await removeMember(service.db, group.id, who.id);
    expect(await groupsOf(service.db, who.id, 'instructor')).toEqual([]);
  });

  it('teaching is through a group that both are in, in their roles', async () => {
    const [a, b] = [await school(service), await school(service)];
    expect(await teaches(service.db, a.instructor.who.id, a.trainee.who.id)).toBe(true);
    expect(await teaches(service.db, a.instructor.who.id, b.trainee.who.id)).toBe(false);
    expect(await teaches(service.db, a.trainee.who.id, a.instructor.who.id)).toBe(false);
  });
});

describe('the database', () => {
  it('migrating again changes nothing, and all can be taken down and made anew', async () => {
    const tables = async (): Promise<string[]> => (await service.db.raw('show tables'))[0].map((row: Record<string, string>) => Object.values(row)[0]).sort();
    const before = await tables();
    await migrate(service.db);
    expect(await tables()).toEqual(before);
    await service.db.migrate.rollback(undefined, true);
    expect((await tables()).filter((name) => !name.startsWith('knex'))).toEqual([]);
    await migrate(service.db);
    expect(await tables()).toEqual(before);
  });

  it('what the progress queries look for is indexed', async () => {
    const indexed = async (table: string): Promise<string[]> => {
      const rows: { Key_name: string; Seq_in_index: number; Column_name: string }[] = (await service.db.raw('show index from ??', [table]))[0];
      const columns = new Map<string, string[]>();
      for (const row of rows) columns.set(row.Key_name, [...(columns.get(row.Key_name) ?? []), row.Column_name]);
      return [...columns.values()].map((list) => list.join());
    };
    expect(await indexed('attempts')).toEqual(
      expect.arrayContaining(['person_id,handed_in_at,id,exercise_id,version,score,flashes,seconds,counts', 'exercise_id,person_id,handed_in_at']),
    );
    expect(await indexed('attempt_steps')).toContain('attempt_id,step');
    expect(await indexed('memberships')).toEqual(expect.arrayContaining(['group_id,person_id', 'person_id,role']));
  });

  it('attempts cannot refer to versions, revisions or people that are not there', async () => {
    const row = {
      id: newId(),
      person_id: newId(),
      exercise_id: newId(),
      version: 1,
      model_id: newId(),
      model_revision: 1,
      scheme_id: 'two-button-mouse',
      scheme_revision: 1,
      seed: 1,
      opened_at: service.now(),
    };
    await expect(service.db('attempts').insert(row)).rejects.toMatchObject({ code: 'ER_NO_REFERENCED_ROW_2' });
  });

  it('its name is read from the address, and an address without one is refused in words', () => {
    expect(databaseName('mysql://a:b@127.0.0.1:3306/dial_home')).toBe('dial_home');
    for (const url of ['mysql://a:b@127.0.0.1:3306', 'mysql://a:b@127.0.0.1/a;drop', 'mysql://a:b@127.0.0.1/'])
      expect(() => databaseName(url)).toThrow(/DATABASE_URL must end/);
  });

  it('migrations are listed in order, each with a way up and down', async () => {
    const list = await migrations.getMigrations([]);
    const names = list.map((m) => migrations.getMigrationName(m));
    expect(names).toEqual([...names].sort());
    for (const entry of list) {
      const migration = await migrations.getMigration(entry);
      expect(typeof migration.up).toBe('function');
      expect(typeof migration.down).toBe('function');
    }
  });
});
