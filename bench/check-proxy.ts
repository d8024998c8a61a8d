// Whether the check of proxies catches what is wrong and leaves alone what is fine: 96 proxies spoiled in one of eight ways,
// and 60 good ones, of twelve made-up shots. `npm run -s bench:check-proxy`; --quick takes two shots. Needs ffmpeg. The last line
// is one JSON object; it fails where one spoiled proxy passes or one good one is accused.

import type { ProxyCheck } from '@/core/proxies';
import { checkProxyCommand } from '../bin/commands/check-proxy';
import {
  type GoodWay,
  goodWays,
  makeGood,
  makeOriginal,
  makeSpoiled,
  type Spoiling,
  shots,
  spoilings,
} from '../tests/fixtures/spoiled-proxies';
import { root } from './serve';

const folder = `${root}bench/out/proxies/`;
const isQuick = process.argv.includes('--quick');
const startedMs = Date.now();
const missed: string[] = [];
const accused: string[] = [];
const named: Record<string, number> = {};
let [spoiledCount, goodCount] = [0, 0];
for (const shot of isQuick ? shots.slice(2, 4) : shots) {
  const original = makeOriginal(folder, shot);
  for (const spoiling of Object.keys(spoilings) as Spoiling[]) {
    const check = (await checkProxyCommand(original, makeSpoiled(folder, shot, spoiling))).json as ProxyCheck;
    spoiledCount++;
    if (check.isGood !== false) missed.push(`${shot.name}: ${spoiling}`);
    const codes = `${spoiling}: ${check.faults?.map(({ code }) => code).join(', ')}`;
    named[codes] = (named[codes] ?? 0) + 1;
  }
  for (const way of Object.keys(goodWays) as GoodWay[]) {
    const check = (await checkProxyCommand(original, makeGood(folder, shot, way))).json as ProxyCheck;
    goodCount++;
    if (check.isGood !== true) accused.push(`${shot.name}: ${way}: ${JSON.stringify(check.faults)}`);
  }
}
console.log(
  JSON.stringify({
    bench: 'check-proxy',
    spoiledCount,
    goodCount,
    missed,
    accused,
    named,
    sec: Math.round((Date.now() - startedMs) / 1000),
  }),
);
if (missed.length + accused.length > 0) process.exitCode = 1;
