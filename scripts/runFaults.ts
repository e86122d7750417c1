/** Called by `npm run faults`. */
import { runFaults } from '../tests/faults/faults';

const [application = 100, database = 20] = process.argv.slice(2).map(Number);
const say = (text: string): void => void process.stdout.write(`${text}\n`);
const began = Date.now();
const report = await runFaults({ application, database, say });
say(JSON.stringify({ ...report, seconds: Math.round((Date.now() - began) / 1000) }, null, 2));
if (report.lost > 0 || report.doubled > 0 || report.faults.length > 0) process.exitCode = 1;
