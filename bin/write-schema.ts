// Writes docs/job-card.schema.json from the Zod schema; with --check, fails where the file is not up to date.
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { toJSONSchema } from 'zod/mini';
import { jobCardSchema } from '@/core/card';
import { jobCardVersion } from '@/core/card/schema';

const path = new URL('../docs/job-card.schema.json', import.meta.url);
const schema = {
  ...toJSONSchema(jobCardSchema, { target: 'draft-2020-12' }),
  $id: `oil-can-job-card-v${jobCardVersion}`,
  title: `Oil Can job card, version ${jobCardVersion}`,
};
const text = `${JSON.stringify(schema, null, 2)}\n`;

if (process.argv.includes('--check')) {
  const isCurrent = existsSync(path) && readFileSync(path, 'utf8') === text;
  if (!isCurrent) {
    console.error('docs/job-card.schema.json is not what the schema gives. Run: npm run schema');
    process.exitCode = 1;
  }
} else {
  writeFileSync(path, text);
}
