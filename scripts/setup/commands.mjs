import { spawn, spawnSync } from 'node:child_process';
import { Advice } from './say.mjs';

/** Whether a program can be found on the path. */
export const has = (program) => spawnSync('sh', ['-c', `command -v ${program}`], { stdio: 'ignore' }).status === 0;

/** Runs a command to its end; what it prints goes to the terminal, or is kept and shown only when it fails. */
export function command(program, args, { quiet = false, env = {}, advice } = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(program, args, { stdio: quiet ? ['ignore', 'pipe', 'pipe'] : ['ignore', 'inherit', 'inherit'], env: { ...process.env, ...env } });
    let said = '';
    child.stdout?.on('data', (chunk) => (said += chunk));
    child.stderr?.on('data', (chunk) => (said += chunk));
    child.on('error', (error) => reject(new Advice(advice ?? `${program} could not be started: ${error.message}`)));
    child.on('close', (code) => {
      if (code === 0) resolve(said);
      else reject(new Advice(`${said.trim().split('\n').slice(-12).join('\n')}\n${advice ?? `"${program} ${args.join(' ')}" ended with code ${code}.`}`));
    });
  });
}
