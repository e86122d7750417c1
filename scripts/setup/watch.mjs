/** What is started is watched: when it ends by itself it is started again, after a pause that grows. */

const FIRST_PAUSE = 500;
const LONGEST_PAUSE = 30_000;
/** What ran this long before it ended is not in trouble: the pause begins anew. */
const STEADY = 60_000;

/**
 * Keeps `start` running until `stop` is called. `start` gives what has begun: `ended`, a promise of why it ended, and
 * `stop`. `say` is told of every end and every new start. Resolves when it has begun for the first time; a first start that
 * fails is the caller's to tell. `longest`: the longest pause, ms.
 */
export async function keepRunning(name, start, say, longest = LONGEST_PAUSE) {
  let stopping = false;
  let current = await start();
  let began = Date.now();
  let pause = Math.min(longest, FIRST_PAUSE);
  let wake = () => {};

  const watching = (async () => {
    while (!stopping) {
      const why = await current.ended;
      if (stopping) return;
      if (Date.now() - began > STEADY) pause = Math.min(longest, FIRST_PAUSE);
      say(`${new Date().toISOString()} ${name} ended (${why}); starting it again in ${pause / 1000} s.`);
      for (;;) {
        await new Promise((done) => {
          const timer = setTimeout(done, pause);
          wake = () => {
            clearTimeout(timer);
            done();
          };
        });
        if (stopping) return;
        pause = Math.min(longest, pause * 2);
        try {
          current = await start();
          began = Date.now();
          say(`${new Date().toISOString()} ${name} runs again.`);
          break;
        } catch (error) {
          say(`${new Date().toISOString()} ${name} could not be started: ${error.message}; trying again in ${pause / 1000} s.`);
        }
      }
    }
  })();

  return {
    async stop() {
      stopping = true;
      wake();
      await current.stop();
      await watching;
    },
  };
}
