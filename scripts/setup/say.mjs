/** Plain words on the terminal: what is being done, and what to do when it cannot be. */
export const say = (text) => process.stdout.write(`${text}\n`);

/** A failure that a person can act on: printed without a stack. */
export class Advice extends Error {}

/** Runs a script's main function; advice is printed as one sentence, everything else with its stack. */
export async function run(main) {
  try {
    await main();
  } catch (error) {
    if (error instanceof Advice) process.stderr.write(`\n${error.message}\n`);
    else if (error?.code === 'ENOSPC') process.stderr.write('\nThe disk is full: free some space, then run this again.\n');
    else process.stderr.write(`\n${error?.stack ?? error}\n`);
    process.exitCode = 1;
  }
}
