/** Checks that everything a database holds is whole: every file against its hash, every count, every card and trace. */
import { tmpdir } from 'node:os';
import { openService } from '@server/openService';
import { checkData } from '@server/services/checkData';

const service = openService(process.env.DATABASE_URL ?? '', tmpdir());
try {
  const { counts, faults } = await checkData(service.db);
  for (const [what, n] of Object.entries(counts)) process.stdout.write(`${String(n).padStart(8)} ${what}\n`);
  for (const fault of faults.slice(0, 20)) process.stderr.write(`${fault}\n`);
  process.stdout.write(faults.length === 0 ? 'All is whole.\n' : `${faults.length} faults.\n`);
  if (faults.length > 0) process.exitCode = 1;
} finally {
  await service.close();
}
