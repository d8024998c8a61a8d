import { spawn } from 'node:child_process';
import { fileURLToPath } from 'node:url';

const processCount = 2;

function runShare<Row>(script: string, first: number, last: number, arePrinted: boolean): Promise<readonly Row[]> {
  const path = fileURLToPath(new URL(`./${script}.ts`, import.meta.url));
  const args = ['--import', 'tsx', path, String(first), String(last), String(processCount)];
  const child = spawn(process.execPath, args, { stdio: ['ignore', 'pipe', 'inherit'] });
  let text = '';
  child.stdout.on('data', (chunk: Buffer) => {
    text += chunk;
    if (arePrinted) process.stderr.write(chunk);
  });
  return new Promise((resolve, reject) => {
    child.on('exit', (code) => {
      if (code !== 0) reject(new Error(`bench:diagnosis: ${script} ended with ${code}`));
      else
        resolve(
          text
            .trim()
            .split('\n')
            .filter(Boolean)
            .map((line) => JSON.parse(line) as Row),
        );
    });
  });
}

/** Runs a script of this folder over a range of seeds in two processes; a row is a line of JSON that it prints. */
export const runInTwo = async <Row>(
  script: 'run-seeds' | 'run-seconds',
  first: number,
  last: number,
  arePrinted: boolean,
): Promise<readonly Row[]> =>
  (
    await Promise.all(
      Array.from({ length: processCount }, (_, i) => runShare<Row>(script, first + i, last, arePrinted)),
    )
  ).flat();
