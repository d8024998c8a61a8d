'use client';

import type { JobCard } from '@/core/card';
import { formatCount } from '@/messages/format';
import { LinkButton } from '@/ui/LinkButton';
import { Row, Soft } from '@/ui/layout';

/** In the trial of making proxies: how many are there and fine, and where Oil Can makes them itself. */
export function TrialProxies({ card }: { readonly card: JobCard }) {
  const fineCount = card.proxies.filter(({ faults }) => faults?.length === 0).length;
  return (
    <Row $belowPx={12}>
      <LinkButton href={`/card/${encodeURIComponent(card.id)}/proxies`}>
        {fineCount > 0 ? 'To the proxies' : 'Make them here'}
      </LinkButton>
      <Soft>
        {fineCount > 0
          ? `${formatCount(fineCount, 'proxy is', 'proxies are')} made and checked.`
          : 'Oil Can makes and checks them from your own files; your editor can too.'}
      </Soft>
    </Row>
  );
}
