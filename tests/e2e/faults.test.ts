import { expect, it } from 'vitest';
import { runFaults } from '../faults/faults';

it('with the application and the database killed in mid work, no attempt is lost and none is there twice', async () => {
  const report = await runFaults({ application: 5, database: 2 });
  expect(report).toMatchObject({ applicationKilled: 5, databaseKilled: 2, lost: 0, doubled: 0, faults: [] });
  expect(report.acknowledged).toBeGreaterThan(15);
  expect(report.sentAgain).toBeGreaterThan(0);
});
