// What demo and verify need on a fresh machine: packages, a production build, and for tests Debian's chromium and
// ffmpeg. Plain Node, because it runs before anything is installed. Does nothing that is already done.
import { execFileSync, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const rootDir = fileURLToPath(new URL('..', import.meta.url));

/** Ends with a readable reason instead of a stack. */
export class SetupError extends Error {}

/** Nothing is told to anybody: the framework's own counting is off. */
export const quietEnv = { ...process.env, NEXT_TELEMETRY_DISABLED: '1' };

const run = (command, args, quiet) => {
  const { status, error } = spawnSync(command, args, {
    cwd: rootDir,
    env: quietEnv,
    stdio: quiet ? ['ignore', 'ignore', 'inherit'] : ['ignore', 'inherit', 'inherit'],
  });
  if (error || status !== 0)
    throw new SetupError(`"${command} ${args.join(' ')}" failed${error ? `: ${error.message}` : ` (exit ${status})`}.`);
};

const hashOf = (paths) => {
  const hash = createHash('sha256');
  for (const path of paths) hash.update(path).update(readFileSync(join(rootDir, path)));
  return hash.digest('hex');
};

const stampPath = (name) => join(rootDir, 'node_modules', `.oil-can-${name}`);
const isStamped = (name, hash) => existsSync(stampPath(name)) && readFileSync(stampPath(name), 'utf8') === hash;

/** Installs the locked packages where they are missing or the lock file has changed. */
export function ensurePackages() {
  const hash = hashOf(['package-lock.json']);
  if (isStamped('packages', hash)) return;
  console.log('Installing packages (npm ci), half a minute or so…');
  run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error']);
  writeFileSync(stampPath('packages'), hash);
}

const listFiles = (dir) =>
  readdirSync(join(rootDir, dir)).flatMap((name) => {
    const path = `${dir}/${name}`;
    return statSync(join(rootDir, path)).isDirectory() ? listFiles(path) : [path];
  });

/** Builds for production where there is no build of this very source. */
export function ensureBuild() {
  const hash = hashOf([
    ...listFiles('src')
      .filter((path) => !path.includes('.test.'))
      .sort(),
    'next.config.ts',
    'package-lock.json',
    'tsconfig.json',
  ]);
  if (isStamped('build', hash) && existsSync(join(rootDir, '.next', 'BUILD_ID'))) return;
  console.log('Building (next build), half a minute or so…');
  run('npm', ['run', '-s', 'build']);
  mkdirSync(join(rootDir, 'node_modules'), { recursive: true });
  writeFileSync(stampPath('build'), hash);
}

const hasCommand = (name) => spawnSync('sh', ['-c', `command -v ${name}`], { stdio: 'ignore' }).status === 0;

/** Installs Debian's programs for the tests where they are missing; says which command to run where it may not. Of
 * alternatives the first is installed, and any that is there will do. */
export function ensureTestPrograms(alternatives) {
  const listMissing = () => alternatives.filter((names) => !names.some(hasCommand)).map(([name]) => name);
  const wanted = alternatives.map(([name]) => name).filter((name) => !hasCommand(name));
  if (wanted.length === 0) return;
  try {
    install(wanted);
  } catch (error) {
    if (listMissing().length > 0) throw error;
  }
}

function install(missing) {
  const command = `apt-get update && apt-get install -y ${missing.join(' ')}`;
  if (process.getuid?.() !== 0 || !hasCommand('apt-get'))
    throw new SetupError(`The tests need ${missing.join(' and ')}. Install them first: sudo sh -c '${command}'`);
  console.log(`Installing ${missing.join(' and ')} (apt-get)…`);
  execFileSync(
    'sh',
    ['-c', `(${command}) > /tmp/oil-can-apt.log 2>&1 || { tail -n 20 /tmp/oil-can-apt.log; exit 1; }`],
    { stdio: 'inherit', env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' } },
  );
}
