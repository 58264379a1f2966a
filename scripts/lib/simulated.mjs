import { spawn } from 'node:child_process';
import { inProject } from './project.mjs';

/**
 * Starts a simulated instrument as a process of its own.
 *
 * @param {'meter' | 'sweep'} kind
 * @param {NodeJS.ProcessEnv} env
 * @returns its process and the address that it listens on, once it does
 */
export function startSimulated(kind, env = process.env) {
  const child = spawn(process.execPath, [inProject('server/dist/simulated.js'), '--kind', kind], {
    stdio: ['ignore', 'pipe', 'inherit'],
    env,
  });
  return new Promise((resolve, reject) => {
    let said = '';
    child.stdout.on('data', (data) => {
      said += data;
      const found = /is ready: (\S+)/u.exec(said);
      if (found) resolve({ kind, child, address: found[1] });
    });
    child.once('exit', (code) => reject(new Error(`the simulated ${kind} ended with ${code}`)));
  });
}
