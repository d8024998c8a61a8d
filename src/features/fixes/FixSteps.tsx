'use client';

import styled from 'styled-components';
import type { FixId, FixLevel } from '@/core/fixes';
import { fixTexts } from '@/messages/fixes';
import { colour } from '@/ui/tokens';

const Steps = styled.ol`
  margin: 0 0 8px;
  padding-left: 22px;
  list-style: decimal;
  color: ${colour.ink};
  li { padding: 2px 0; }
`;
const Terms = styled.dl`
  dt { font-weight: 650; color: ${colour.ink}; }
  dd { margin-bottom: 6px; }
`;

/** What to do in three lines, where editors usually keep it, and how to see that it took effect. */
export function FixSteps({ fixId, level }: { readonly fixId: FixId; readonly level: FixLevel }) {
  const text = fixTexts[fixId];
  return (
    <>
      <Steps>
        {text.steps(level).map((step) => (
          <li key={step}>{step}</li>
        ))}
      </Steps>
      <Terms>
        <dt>Where editors usually keep it</dt>
        <dd>{text.where}</dd>
        <dt>How to see that it took effect</dt>
        <dd>{text.check}</dd>
      </Terms>
    </>
  );
}
