'use client';

import styled from 'styled-components';
import type { JobCard } from '@/core/card';
import { type SideLead, sideQuestionId } from '@/core/diagnose';
import { findFix } from '@/core/fixes';
import { sideTexts } from '@/messages/diagnosis';
import { fixTitle } from '@/messages/fix-titles';
import { Disclosure } from '@/ui/Disclosure';
import { Sheet } from '@/ui/Sheet';
import { colour } from '@/ui/tokens';
import { FixSteps } from './FixSteps';
import { SideQuestion } from './SideQuestion';

const Part = styled.div`
  padding: 10px 0;
  border-top: 1px solid ${colour.line};
  &:first-of-type { border-top: 0; padding-top: 0; }
  > h3 { font-size: 16.5px; margin-bottom: 4px; }
  ol { margin: 4px 0 0; padding-left: 22px; list-style: decimal; }
`;

/** The fixes that an answer leads to; both ways where it is not known. */
function fixesOf({ ifYes, ifNo }: SideLead, answer: string | undefined): readonly string[] {
  if (answer === 'yes') return ifYes;
  if (answer === 'no') return ifNo;
  return [...new Set([...ifYes, ...ifNo])];
}

/** Complaints that are no preview lag: one telling question each, and then the fixes that it leads to. */
export function SideLeads({ card, leads }: { readonly card: JobCard; readonly leads: readonly SideLead[] }) {
  if (leads.length === 0) return null;
  const answerOf = ({ kind }: SideLead): string | undefined =>
    card.answers.find(({ questionId }) => questionId === sideQuestionId(kind))?.answer;
  return (
    <Sheet title="Beside the lag" aside="these have fixes of their own">
      {leads.map((lead) => {
        const answer = answerOf(lead);
        return (
          <Part key={lead.kind}>
            {answer === undefined ? (
              <SideQuestion lead={lead} />
            ) : (
              <>
                <h3>{sideTexts[lead.kind]?.title}: try these, in this order</h3>
                {fixesOf(lead, answer).map((id) => {
                  const fix = findFix(id);
                  return fix ? (
                    <Disclosure key={id} label={fixTitle(id, fix.defaultLevel)}>
                      <FixSteps fixId={fix.id} level={fix.defaultLevel} />
                    </Disclosure>
                  ) : null;
                })}
              </>
            )}
          </Part>
        );
      })}
    </Sheet>
  );
}
