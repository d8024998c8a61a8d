'use client';

import { ThumbsDown, ThumbsUp } from 'lucide-react';
import styled from 'styled-components';
import type { CauseEvidence as Evidence } from '@/core/belief';
import type { JobCard } from '@/core/card';
import { describeEvidence, describeWeight } from '@/messages/evidence';
import { Disclosure } from '@/ui/Disclosure';
import { colour } from '@/ui/tokens';

const Line = styled.p`
  display: grid;
  grid-template-columns: 20px 1fr;
  gap: 6px;
  font-size: 15px;
  svg { margin-top: 3px; color: ${colour.good}; }
  &[data-against] svg { color: ${colour.alarm}; }
  small { color: ${colour.inkSoft}; font-size: 14px; }
`;

function EvidenceLine({ evidence, card }: { readonly evidence: Evidence; readonly card: JobCard }) {
  const isFor = evidence.logFactor > 0;
  const Icon = isFor ? ThumbsUp : ThumbsDown;
  return (
    <Line data-against={isFor ? undefined : true}>
      <Icon size={16} aria-hidden="true" />
      <span>
        {describeEvidence(evidence, card)}{' '}
        <small>
          Speaks {describeWeight(evidence.logFactor)} {isFor ? 'for it' : 'against it'}.
        </small>
      </span>
    </Line>
  );
}

/** What speaks for a cause and what against it: the weightiest of each, the rest folded away. */
export function CauseEvidence({ list, card }: { readonly list: readonly Evidence[]; readonly card: JobCard }) {
  const first = [
    ...list.filter(({ logFactor }) => logFactor > 0).slice(0, 1),
    ...list.filter(({ logFactor }) => logFactor < 0).slice(0, 1),
  ];
  const rest = list.filter((evidence) => !first.includes(evidence));
  if (list.length === 0) return null;
  const show = (evidence: Evidence) => (
    <EvidenceLine key={JSON.stringify(evidence.source)} evidence={evidence} card={card} />
  );
  return (
    <>
      {first.map(show)}
      {rest.length > 0 && <Disclosure label={`${rest.length} more`}>{rest.map(show)}</Disclosure>}
    </>
  );
}
