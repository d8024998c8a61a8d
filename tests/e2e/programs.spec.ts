import { type ChildProcess, spawn } from 'node:child_process';
import { copyFileSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, type Page, test } from '@playwright/test';
import { makeProcesses, writeGetProcessCsv, writeTasklist } from '../fixtures/process-lists';
import { deep, openCards, openStep } from './screens';

const table = (page: Page) => page.getByRole('table', { name: 'What runs beside the editor' });
const rowOf = (page: Page, name: string) => table(page).getByRole('row', { name: new RegExp(name) });

test('looks at the practice machine, closes what takes it, and proves what that brought', async ({ page }) => {
  await openStep(page, 'demo-programs-busy', 'programs');
  await page.getByRole('button', { name: 'Look at the practice machine' }).click();
  const asked = page.getByRole('region', { name: 'Which of these is your editor?' });
  await asked.getByRole('button', { name: 'Cutting Table', exact: true }).click();
  await expect(asked).toHaveCount(0);
  await expect(page.getByRole('figure', { name: 'How memory is split' })).toContainText('your editor2.1 GB');
  // The system is never offered, and what takes nothing is not chosen.
  await expect(table(page).getByRole('checkbox', { name: 'Close or pause Loft sync' })).toBeChecked();
  await expect(table(page).getByRole('checkbox', { name: 'Close or pause Marble Launcher' })).not.toBeChecked();
  await page.getByRole('button', { name: /^Show the \d+ that stay$/ }).click();
  await expect(rowOf(page, 'svchost').getByRole('checkbox')).toHaveCount(0);
  await expect(rowOf(page, 'Thimble notes')).toContainText('nothing');
  await page.getByRole('button', { name: 'Close them and measure' }).click();
  const trial = page.getByRole('region', { name: 'On trial: Close programs you do not need now' });
  await expect(trial.getByRole('list', { name: 'Programs to close or pause' })).toContainText('Pause its scan');
  await trial.getByRole('button', { name: 'Look what is gone' }).click();
  await expect(trial).toContainText(/3\.\d cores and \d\.\d GB came free/);
  await expect(trial).toContainText('Came back by itself: “Pigeon Post chat”');
  await expect(trial).toContainText('Windows: Settings, Apps, Startup');
  await trial.getByRole('button', { name: 'It is made: measure it' }).click();
  await trial.getByRole('button', { name: 'Measure the practice machine' }).click();
  await expect(trial).toContainText('Better');
  await trial.getByRole('button', { name: 'Keep it' }).click();
  await openStep(page, 'demo-programs-busy', 'export-check');
  const line = page.getByRole('region', { name: 'At the end of the day' });
  await expect(line).toContainText('Resume what was paused: ');
  await expect(line).toContainText('Loft sync');
  await expect(line).toContainText('Hedgehog scan');
  await expect(line).not.toContainText('firefox');
});

test(
  'takes a pasted list of 600 processes, says what is wrong with others, and gives the old one back',
  deep,
  async ({ page }) => {
    await openStep(page, 'demo-decode-bound', 'programs');
    await page.getByRole('button', { name: 'The computer that lags is another one' }).click();
    const paste = page.getByRole('textbox', { name: 'What it printed' });
    await paste.fill('clay and glaze');
    await page.getByRole('button', { name: 'Read this list' }).click();
    await expect(page.getByText('No process stands in it.')).toBeVisible();
    await page.getByRole('radiogroup', { name: 'The computer that lags runs' }).getByText('Windows').click();
    await expect(page.getByText('Get-Process | Select-Object')).toBeVisible();
    const list = writeGetProcessCsv(makeProcesses('windows'), { overSec: 5, separator: ';', decimal: ',' });
    await paste.fill(list.slice(list.indexOf('\n', 900) + 1));
    await page.getByRole('button', { name: 'Read this list' }).click();
    await expect(page.getByText(/^Took \d+ processes as \d+ programs\.$/)).toBeVisible();
    await expect(rowOf(page, 'Hedgehog Scan')).toContainText('security');
    await expect(rowOf(page, 'Loft Sync')).toContainText('640 MB');
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(rowOf(page, 'Hedgehog Scan')).toHaveCount(0);
    await expect(rowOf(page, 'Pigeon Post chat')).toHaveCount(1);
    // A file in UTF-16, as the system's own shell writes it, with another language's head.
    await page.getByRole('button', { name: 'The computer that lags is another one' }).click();
    await page.getByLabel('Choose a file with a list').setInputFiles({
      name: 'liste.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from(
        `\ufeff${writeTasklist(makeProcesses('windows'), { head: '"Abbildname","PID","Sitzungsname"', mark: '.', unit: 'K' })}`,
        'utf16le',
      ),
    });
    await expect(page.getByText('Took 600 processes as')).toBeVisible();
    await expect(page.getByText('the list does not say how busy they are')).toBeVisible();
  },
);

test('lets a person say what a program is, and remembers it on the next list', async ({ page }) => {
  await openStep(page, 'demo-effects-bound', 'programs');
  await page.getByRole('button', { name: 'Look at the practice machine' }).click();
  await table(page).getByRole('button', { name: 'not known: say what Thimble notes is' }).click();
  await table(page).getByRole('combobox', { name: 'What Thimble notes is' }).selectOption('helps a device');
  await page.getByRole('button', { name: 'Look again from the start' }).click();
  await page.getByRole('button', { name: /that stay$/ }).click();
  await expect(rowOf(page, 'Thimble notes')).toContainText('helps a device');
  await expect(rowOf(page, 'Thimble notes').getByRole('checkbox')).toHaveCount(0);
});

/** Seconds of the processor's time that a process has taken. */
function processorSec(processId: number): number {
  const fields = readFileSync(`/proc/${processId}/stat`, 'utf8').split(') ')[1]?.split(' ') ?? [];
  return (Number(fields[11]) + Number(fields[12])) / 100;
}

/** A program of a name of its own that keeps a core busy, started as the system starts programs: by nobody that runs on. */
function startBusy(name: string): {
  readonly shell: ChildProcess;
  readonly stop: () => void;
  readonly id: () => number;
} {
  const folder = mkdtempSync(join(tmpdir(), 'busy-'));
  const file = join(folder, name);
  copyFileSync(process.execPath, file);
  const idFile = join(folder, 'id');
  const shell = spawn('sh', ['-c', `setsid '${file}' -e 'for(;;);' & echo $! > '${idFile}'`], { stdio: 'ignore' });
  const id = (): number => Number(readFileSync(idFile, 'utf8'));
  return {
    shell,
    id,
    stop: () => {
      process.kill(id(), 'SIGKILL');
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

test('finds a program that really keeps this computer busy, and sees that it is gone', deep, async ({ page }) => {
  test.skip(process.platform !== 'linux', 'the busy program is told by /proc');
  const busy = startBusy('kiln-spinner');
  let isStopped = false;
  try {
    await new Promise((resolve) => busy.shell.on('exit', resolve));
    await openCards(page);
    await page.getByRole('button', { name: 'Start a card' }).click();
    const rail = page.getByRole('navigation', { name: 'Steps' });
    await rail.getByRole('link', { name: /^Lag meter/ }).click();
    await page.getByRole('radiogroup', { name: 'Take a reading' }).getByText('Type it').click();
    await page.getByRole('textbox', { name: 'Shown, frames a second', exact: true }).fill('12');
    await page.getByRole('button', { name: 'Store this reading' }).click();
    await rail.getByRole('link', { name: /^Programs/ }).click();
    // The first look covers a moment only; the helper's half minute is full after some.
    const [from, fromMs] = [processorSec(busy.id()), performance.now()];
    await page.getByRole('button', { name: 'Look at this computer' }).click();
    await expect(rowOf(page, 'kiln-spinner')).toBeVisible();
    await page.waitForTimeout(9000);
    await page.getByRole('button', { name: 'Look again from the start' }).click();
    await expect(page.getByText(/^over ([7-9]|1\d) seconds, just now$/)).toBeVisible();
    const truth = (processorSec(busy.id()) - from) / ((performance.now() - fromMs) / 1000);
    // How busy it is, in per cent of one core, as the page says it.
    const said = Number(/(\d+(?:\.\d+)?) %/.exec((await rowOf(page, 'kiln-spinner').textContent()) ?? '')?.[1]) / 100;
    expect(Math.abs(said - truth)).toBeLessThan(0.15);
    await table(page).getByRole('checkbox', { name: 'Close or pause kiln-spinner' }).check();
    await page.getByRole('button', { name: 'Close them and measure' }).click();
    busy.stop();
    isStopped = true;
    const trial = page.getByRole('region', { name: /^On trial/ });
    await trial.getByRole('button', { name: 'Look what is gone' }).click();
    await expect(trial.getByRole('listitem').filter({ hasText: 'kiln-spinner' })).toContainText('closed');
    await expect(trial).toContainText(/(0\.\d|1) cores? and \d+ MB came free|came free/);
  } finally {
    if (!isStopped) busy.stop();
  }
});
