import { say } from './say.mjs';

/**
 * Parts that are started one after the other, and stopped the other way round: when a signal asks for it, or when `work`
 * fails. `after`: what is to be done when all have stopped. `work` is given `add`, and `stopping` to look whether it is too late.
 */
export async function together(work, after = () => {}) {
  const parts = [];
  let stopping = false;
  const stopAll = async () => {
    stopping = true;
    for (const part of parts.reverse()) await part.stop();
    after();
  };
  const onSignal = async () => {
    if (stopping) return;
    say('\nStopping …');
    await stopAll();
    process.exit();
  };
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, onSignal);
  try {
    await work({ add: (part) => parts.push(part), stopping: () => stopping });
  } catch (error) {
    if (!stopping) await stopAll();
    throw error;
  }
}
