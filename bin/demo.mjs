// `npm run demo`: sets up if needed, serves Oil Can on this computer only, and prints the address.
// The demo cards are laid in by the page itself on the first visit. PORT is honoured; without it, 4310 or the next free one.
// `--no-local` turns the helper off that reads this computer and what runs on it for the page.
import { spawn } from 'node:child_process';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { ensureBuild, ensurePackages, quietEnv, rootDir, SetupError } from './setup.mjs';

const host = '127.0.0.1';
const isLocal = !process.argv.includes('--no-local');

const isFree = (port) =>
  new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(false));
    probe.listen(port, host, () => probe.close(() => resolve(true)));
  });

async function choosePort() {
  const asked = process.env.PORT;
  if (asked !== undefined) {
    const port = Number(asked);
    if (!Number.isInteger(port) || port < 1 || port > 65_535)
      throw new SetupError(`PORT is "${asked}"; it must be a number from 1 to 65535.`);
    if (!(await isFree(port)))
      throw new SetupError(`Port ${port} is in use. Stop what uses it, or choose another PORT.`);
    return port;
  }
  for (let port = 4310; port < 4330; port++) if (await isFree(port)) return port;
  throw new SetupError('No port from 4310 to 4329 is free. Set PORT to one that is.');
}

async function waitUntilServing(url, server) {
  for (let i = 0; i < 300; i++) {
    if (server.exitCode !== null) throw new SetupError('The server ended before it answered; its words are above.');
    const answer = await fetch(url).catch(() => null);
    if (answer?.ok) return;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new SetupError('The server did not answer within 30 seconds.');
}

try {
  ensurePackages();
  ensureBuild();
  const port = await choosePort();
  const url = `http://${host}:${port}/`;
  const next = join(rootDir, 'node_modules', 'next', 'dist', 'bin', 'next');
  console.log('Starting the server…');
  const server = spawn(process.execPath, [next, 'start', '-H', host, '-p', String(port)], {
    cwd: rootDir,
    env: { ...quietEnv, OIL_CAN_HELPER: isLocal ? `${host}:${port}` : '' },
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
  server.on('exit', (code) => process.exit(code ?? 0));
  await waitUntilServing(url, server);
  console.log(
    `\nOil Can is ready: ${url}\nIt runs on this computer only${isLocal ? ', and can read what this computer is and runs' : ''}. Stop it with Ctrl+C.`,
  );
} catch (error) {
  if (!(error instanceof SetupError)) throw error;
  console.error(error.message);
  process.exit(1);
}
