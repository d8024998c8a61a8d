'use client';

import type { FixWork } from '@/core/fixes';
import { formatCount, formatGigabytes, formatMinutes } from '@/messages/format';

/** What a fix makes, as a line of a list of facts; nothing where it makes no files. */
export function WorkFact({ work }: { readonly work: FixWork | null }) {
  if (!work) return null;
  return (
    <>
      <dt>makes</dt>
      <dd>
        {formatCount(work.clipCount, 'proxy', 'proxies')} of clips from {work.fromLines} lines up,{' '}
        {formatGigabytes(work.gigabytes)}, {formatMinutes(work.minutes)} of making
      </dd>
    </>
  );
}
