// The command line over the same core as the screens: JSON on standard output, messages on standard error;
// ends with 0, with 1 for a failure that is described, with 2 for wrong use.
import { runOilCan } from './commands/run';

const { exitCode, json, messages } = await runOilCan(process.argv.slice(2));
if (json !== null) process.stdout.write(`${JSON.stringify(json, null, 2)}\n`);
if (messages !== '') process.stderr.write(`${messages}\n`);
process.exitCode = exitCode;
