import { describe, expect, it } from 'vitest';
import { person } from '../tests/testService';
import { useSchool } from '../tests/useSchool';
import { closeJoining, join, joiningOf, openJoining } from './joining';
import { peopleOfGroup } from './people';
import { signIn, whoIs } from './signIn';

const { service, s } = useSchool();

const DAY = 24 * 3600;
const PASSWORD = 'a long password';
const opened = async (days = 7): Promise<string> => {
  await openJoining(s.instructor, s.group.id, days);
  return (await joiningOf(s.instructor, s.group.id))?.code ?? '';
};
const joins = (code: string, name: string, address = '10.0.0.1') => join(service, { code, name, password: PASSWORD }, address);

describe('joining a group by a code', () => {
  it('a new trainee is in the group, signed in, and signs in later by the name that is told', async () => {
    const code = await opened();
    const { token, person: made } = await joins(` ${code.toLowerCase().replace('-', ' ')}`, ' Åda  Byron ');
    expect(made).toMatchObject({ role: 'trainee', name: 'Åda  Byron', signIn: expect.stringMatching(/^ada\.byron\d*$/) });
    expect(await whoIs(service, token)).toMatchObject({ id: made.id });
    expect((await signIn(service, made.signIn, PASSWORD, '10.0.0.1')).person.id).toBe(made.id);
    expect((await peopleOfGroup(s.instructor, s.group.id)).trainees.map(({ id }) => id)).toContain(made.id);
    expect((await joiningOf(s.instructor, s.group.id))?.came).toMatchObject([{ name: 'Åda  Byron', signIn: made.signIn }]);
  });

  it('twenty of one name at once each get a name of their own', async () => {
    const code = await opened();
    const made = await Promise.all(Array.from({ length: 20 }, () => joins(code, 'Ann Lee')));
    expect(new Set(made.map(({ person: each }) => each.signIn)).size).toBe(20);
  });

  it('names without letters and very long ones are given something to sign in with', async () => {
    const code = await opened();
    expect((await joins(code, '李')).person.signIn).toMatch(/^trainee/);
    expect((await joins(code, 'x'.repeat(80))).person.signIn.length).toBeLessThan(60);
  });

  it('a code that was closed, replaced, is over or is none opens nothing, and the field is named', async () => {
    const first = await opened();
    const second = await opened();
    expect(second).not.toBe(first);
    const refused = { field: 'code', status: 422 };
    await expect(joins(first, 'A')).rejects.toMatchObject(refused);
    await closeJoining(s.instructor, s.group.id);
    await expect(joins(second, 'A')).rejects.toMatchObject(refused);
    const short = await opened(1);
    service.pass(DAY + 1);
    await expect(joins(short, 'A')).rejects.toMatchObject(refused);
    expect(await joiningOf(s.instructor, s.group.id)).toBeNull();
    for (const nonsense of ['', '%', "' or 1=1 --"]) await expect(joins(nonsense, 'A')).rejects.toMatchObject(refused);
    // What is wrong with the person is told at their fields.
    const code = await opened();
    await expect(joins(code, ' ')).rejects.toMatchObject({ field: 'name' });
    await expect(join(service, { code, name: 'A', password: 'short' }, '10.0.0.1')).rejects.toMatchObject({ field: 'password' });
  });

  it('guessing is stopped for an address, while others join', async () => {
    const code = await opened();
    for (let n = 0; n < 60; n++) await expect(joins(`WRNG${n}`, 'A', '10.9.9.9')).rejects.toMatchObject({ field: 'code' });
    await expect(joins(code, 'A', '10.9.9.9')).rejects.toMatchObject({ status: 429 });
    await expect(joins(code, 'Bea', '10.9.9.8')).resolves.toMatchObject({ person: { name: 'Bea' } });
  });

  it('only those who lead the group make, see and close its code', async () => {
    const stranger = { ...s.instructor, who: await person(service, 'instructor') };
    for (const asked of [stranger, s.trainee]) {
      await expect(openJoining(asked, s.group.id, 7)).rejects.toMatchObject({ status: 404 });
      await expect(joiningOf(asked, s.group.id)).rejects.toMatchObject({ status: 404 });
      await expect(closeJoining(asked, s.group.id)).rejects.toMatchObject({ status: 404 });
    }
    await expect(openJoining(s.lead, s.group.id, 7)).resolves.toBeUndefined();
  });
});
