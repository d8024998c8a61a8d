'use client';

import styled from 'styled-components';
import { type SideLead, sideQuestionId } from '@/core/diagnose';
import { sideTexts } from '@/messages/diagnosis';
import { Button } from '@/ui/Button';
import { Row } from '@/ui/layout';
import { font } from '@/ui/tokens';
import { useOpenCard } from '../shell/card/use-open-card';

const Box = styled.div`
  h3 { font: 650 16.5px/1.3 ${font.heading}; margin-bottom: 3px; }
  > p { margin-bottom: 8px; font-size: 15px; }
`;

const answers = [
  { value: 'yes', label: 'Yes' },
  { value: 'no', label: 'No' },
  { value: 'unknown', label: 'Don’t know' },
] as const;

/** The one telling question of a complaint that is no preview lag. */
export function SideQuestion({ lead }: { readonly lead: SideLead }) {
  const { run } = useOpenCard();
  const text = sideTexts[lead.kind];
  if (!text) return null;
  const answer = (given: string) =>
    run({
      type: 'answerQuestion',
      input: {
        answer: {
          id: crypto.randomUUID(),
          questionId: sideQuestionId(lead.kind),
          answer: given,
          takenAtMs: Date.now(),
        },
      },
    });
  return (
    <Box>
      <h3>
        {text.title}. {text.question}
      </h3>
      <p>“{text.title}” is no preview lag, and has fixes of its own. The answer tells which.</p>
      <Row role="group" aria-label={text.question}>
        {answers.map(({ value, label }) => (
          <Button key={value} variant={value === 'unknown' ? 'quiet' : 'plain'} onPress={() => answer(value)}>
            {label}
          </Button>
        ))}
      </Row>
    </Box>
  );
}
