import { describe, expect, it } from 'vitest';
import { openLimits } from '../limits';
import { markMadeUp } from '../repositories/people';
import { PASSWORD, person, school } from '../tests/testService';
import { useService } from '../tests/useSchool';
import { addToGroup, makePerson, peopleOfGroup, personSeen, requireLedGroup, resetPassword } from './people';
import { demoPeople, demoSignIn, signIn, signOut, whoIs } from './signIn';

const service = useService();

describe('signing in', () => {
  it('gives a session for the right password, in any case of the name, until signing out', async () => {
    const who = await person(service, 'trainee');
    const { token } = await signIn(service, ` ${who.signIn.toUpperCase()} `, PASSWORD, '127.0.0.1');
    expect(await whoIs(service, token)).toEqual(who);
    await signOut(service, token);
    expect(await whoIs(service, token)).toBeNull();
  });

  it('keeps neither the password nor the token as they are', async () => {
    const who = await person(service, 'trainee');
    const { token } = await signIn(service, who.signIn, PASSWORD, '127.0.0.1');
    const row = await service.db('people').where({ id: who.id }).first();
    expect(row.password_hash).toMatch(/^\$argon2id\$v=19\$m=19456,t=2/);
    expect(await service.db('sessions').where({ token_hash: token }).first()).toBeUndefined();
  });

  it('says the same for a wrong password and an unknown name', async () => {
    const who = await person(service, 'trainee');
    const problems = await Promise.all(
      [signIn(service, who.signIn, 'wrong', '10.0.0.1'), signIn(service, 'nobody.here', 'wrong', '10.0.0.1')].map((p) => p.catch((e: Error) => e.message)),
    );
    expect(problems[0]).toBe(problems[1]);
  });

  it('is refused after eight failures of an account from one address, also with the right password, until the time has passed', async () => {
    const who = await person(service, 'trainee');
    const quick = { ...service, limits: openLimits(service.db, 2) };
    for (let i = 0; i < 8; i++) await expect(signIn(quick, who.signIn, 'wrong', '10.1.0.1')).rejects.toMatchObject({ status: 401 });
    await expect(signIn(quick, who.signIn, PASSWORD, '10.1.0.1')).rejects.toMatchObject({ status: 429 });
    // Nobody is locked out by what is tried elsewhere.
    await expect(signIn(quick, who.signIn, PASSWORD, '10.1.1.1')).resolves.toMatchObject({ person: who });
    await expect
      .poll(
        () =>
          signIn(quick, who.signIn, PASSWORD, '10.1.0.1').then(
            () => 'in',
            () => 'refused',
          ),
        { timeout: 60_000, interval: 500 },
      )
      .toBe('in');
  });

  it('counts tries that come at the same moment, also over several processes', async () => {
    const who = await person(service, 'trainee');
    const processes = [service, { ...service, limits: openLimits(service.db) }];
    const tries = await Promise.all(
      Array.from({ length: 60 }, (_, i) =>
        signIn(processes[i % 2] as typeof service, who.signIn, `guess ${i}`, '10.2.0.1').catch((e: { status: number }) => e.status),
      ),
    );
    expect(tries.filter((status) => status === 401).length).toBe(8);
    expect(tries.filter((status) => status === 429).length).toBe(52);
  });

  it('ends after two weeks', async () => {
    const who = await person(service, 'trainee');
    const { token } = await signIn(service, who.signIn, PASSWORD, '127.0.0.1');
    service.pass(14 * 86_400 + 1);
    expect(await whoIs(service, token)).toBeNull();
  });

  it('without a password is for the made-up people of a demo alone, never for those added later', async () => {
    const [who, later] = [await person(service, 'trainee'), await person(service, 'trainee')];
    await markMadeUp(service.db, [who.id]);
    await expect(demoSignIn(service, who.signIn, false)).rejects.toMatchObject({ status: 404 });
    await expect(demoSignIn(service, who.signIn, true)).resolves.toMatchObject({ person: who });
    await expect(demoSignIn(service, later.signIn, true)).rejects.toMatchObject({ status: 404 });
    expect((await demoPeople(service, true)).map((p) => p.id)).toEqual([who.id]);
    expect(await demoPeople(service, false)).toEqual([]);
  });
});

describe('people and groups', () => {
  it('a sign-in name is taken once, a password has eight characters', async () => {
    const who = await person(service, 'trainee');
    await expect(makePerson(service, { name: 'Other', signIn: who.signIn, role: 'trainee', password: PASSWORD })).rejects.toMatchObject({ field: 'signIn' });
    await expect(makePerson(service, { name: 'Other', signIn: 'other.one', role: 'trainee', password: 'short' })).rejects.toMatchObject({ field: 'password' });
    await expect(makePerson(service, { name: ' ', signIn: 'other.two', role: 'trainee', password: PASSWORD })).rejects.toMatchObject({ field: 'name' });
  });

  it('instructors see their own groups and trainees only; trainees see themselves only', async () => {
    const a = await school(service);
    const b = await school(service);
    await expect(requireLedGroup(a.instructor, b.group.id)).rejects.toMatchObject({ status: 404 });
    await expect(requireLedGroup(a.trainee, a.group.id)).rejects.toMatchObject({ status: 404 });
    await expect(requireLedGroup(a.lead, b.group.id)).resolves.toEqual(b.group);
    await expect(personSeen(a.instructor, b.trainee.who.id)).rejects.toMatchObject({ status: 404 });
    await expect(personSeen(a.trainee, a.instructor.who.id)).rejects.toMatchObject({ status: 404 });
    await expect(personSeen(a.instructor, a.trainee.who.id)).resolves.toEqual(a.trainee.who);
  });

  it('instructors add trainees to their groups, only leads add instructors', async () => {
    const a = await school(service);
    const input = { name: 'New', signIn: 'new.trainee', password: PASSWORD, role: 'trainee' as const };
    const added = await addToGroup(a.instructor, a.group.id, input);
    expect((await peopleOfGroup(a.instructor, a.group.id)).trainees.map((p) => p.id)).toContain(added.id);
    await expect(addToGroup(a.instructor, a.group.id, { ...input, signIn: 'new.instructor', role: 'instructor' })).rejects.toMatchObject({ status: 403 });
    await expect(addToGroup(a.lead, a.group.id, { ...input, signIn: 'new.instructor', role: 'instructor' })).resolves.toMatchObject({ role: 'instructor' });
  });

  it('passwords: one’s own, a trainee’s of one’s groups, and the other sessions end', async () => {
    const a = await school(service);
    const { token } = await signIn(service, a.trainee.who.signIn, PASSWORD, '127.0.0.1');
    await expect(resetPassword(a.trainee, a.instructor.who.id, { password: 'another password' }, null)).rejects.toMatchObject({ status: 404 });
    await resetPassword(a.instructor, a.trainee.who.id, { password: 'another password' }, null);
    expect(await whoIs(service, token)).toBeNull();
    await expect(signIn(service, a.trainee.who.signIn, 'another password', '127.0.0.1')).resolves.toBeDefined();
    await expect(resetPassword(a.trainee, a.trainee.who.id, { password: 'short', present: 'another password' }, null)).rejects.toMatchObject({
      field: 'password',
    });
  });

  it('one’s own: the present one is asked for, and the other sessions end but not this one', async () => {
    const a = await school(service);
    const { who } = a.trainee;
    const [here, elsewhere] = [await signIn(service, who.signIn, PASSWORD, '1.1.1.1'), await signIn(service, who.signIn, PASSWORD, '1.1.1.2')];
    for (const present of [undefined, '', 'wrong'])
      await expect(resetPassword(a.trainee, who.id, { password: 'a newer password', present }, here.token)).rejects.toMatchObject({ field: 'present' });
    await resetPassword(a.trainee, who.id, { password: 'a newer password', present: PASSWORD }, here.token);
    expect(await whoIs(service, here.token)).toEqual(who);
    expect(await whoIs(service, elsewhere.token)).toBeNull();
  });
});
