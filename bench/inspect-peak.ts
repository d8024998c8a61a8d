// Reads the facts of the files named and prints the largest memory that took, KiB. Started by bench/inspect.ts.
import { inspectCommand } from '../bin/commands/inspect';

await inspectCommand(process.argv.slice(2));
console.log(process.resourceUsage().maxRSS);
