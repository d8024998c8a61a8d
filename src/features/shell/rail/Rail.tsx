'use client';

import { Check, Copy, Gauge, LayoutList, NotebookPen, Repeat2, Scale } from 'lucide-react';
import Link from 'next/link';
import { usePathname, useRouter } from 'next/navigation';
import styled from 'styled-components';
import { type JobCard, listSteps } from '@/core/card';
import type { CardOverview, NamedCause } from '@/core/diagnose';
import { stepTexts } from '@/messages/card';
import { Drop } from '@/ui/Drop';
import { VisuallyHidden } from '@/ui/layout';
import { SelectField } from '@/ui/SelectField';
import { colour } from '@/ui/tokens';
import { describeStepState } from './step-hints';

const Nav = styled.nav`
  padding: 16px 8px 16px 16px;
  @media (min-width: 721px) { position: sticky; top: 56px; align-self: start; max-height: calc(100vh - 56px); overflow: auto; scrollbar-width: thin; scrollbar-color: ${colour.line} transparent; }
  @media (max-width: 720px) { padding: 8px 12px 0; ol { display: none; } }
  @media print { display: none; }
`;
const Picker = styled.div`
  display: none;
  @media (max-width: 720px) { display: block; }
`;
const Step = styled.li`
  position: relative;
  /* The line on which the steps stand; it fills with oil as they are done. */
  &::before { content: ''; position: absolute; left: 18px; top: 22px; bottom: -12px; width: 4px; background: ${colour.line}; }
  &[data-done]::before { background: ${colour.oil}; }
  &:last-child::before { display: none; }
`;
const StepLink = styled(Link)`
  display: grid;
  grid-template-columns: 24px 1fr;
  gap: 10px;
  padding: 5px 8px;
  margin-bottom: 3px;
  border: 1px solid transparent;
  border-radius: 6px;
  color: ${colour.ink};
  text-decoration: none;
  b { display: block; font-weight: 650; line-height: 1.2; }
  small { display: block; color: ${colour.inkSoft}; font-size: 13.5px; white-space: nowrap; overflow: hidden; text-overflow: ellipsis; }
  > span:last-child { min-width: 0; }
  &:hover { background: ${colour.inset}; }
  &[aria-current] { background: ${colour.card}; border-color: ${colour.line}; }
`;
const Dot = styled.span`
  position: relative;
  z-index: 1;
  display: grid;
  place-items: center;
  width: 20px;
  height: 20px;
  margin: 1px 0 0 1px;
  border-radius: 50%;
  border: 3px solid ${colour.line};
  background: ${colour.paper};
  color: ${colour.paper};
  &[data-done] { background: ${colour.oil}; border-color: ${colour.oil}; }
`;
const NextDrop = styled.span`
  position: relative;
  z-index: 1;
  margin-left: -1px;
`;

const Tools = styled.ul`
  list-style: none;
  margin: 10px 0 0;
  padding: 8px 0 0;
  border-top: 1px solid ${colour.line};
  svg { margin: 1px 0 0 2px; color: ${colour.inkSoft}; }
  @media (max-width: 720px) { display: none; }
`;

/** What is at hand at any step. */
const tools = [
  { id: 'meter', label: 'Lag meter', what: 'measure and compare', Icon: Gauge },
  { id: 'programs', label: 'Programs', what: 'what else runs', Icon: LayoutList },
  { id: 'proxies', label: 'Proxies', what: 'small copies to edit', Icon: Copy },
  { id: 'what-if', label: 'What if', what: 'any set of fixes', Icon: Scale },
  { id: 'work', label: 'While you work', what: 'sets to switch to', Icon: Repeat2 },
  { id: 'editor', label: 'My editor', what: 'what it can do', Icon: NotebookPen },
] as const;

interface RailProps {
  readonly card: JobCard;
  readonly overview: CardOverview;
  readonly cause: NamedCause;
}

/** The steps of a card in working order, and its tools; below 720 pixels a list to pick from. */
export function Rail({ card, overview, cause }: RailProps) {
  const pathname = usePathname();
  const router = useRouter();
  const steps = listSteps(card);
  const hrefOf = (stepId: string): string => `/card/${encodeURIComponent(card.id)}/${stepId}`;
  const current = [...steps, ...tools].find(({ id }) => pathname.endsWith(`/${id}`))?.id ?? null;
  return (
    <Nav aria-label="Steps">
      <Picker>
        <SelectField
          label="Step"
          isLabelHidden
          value={current}
          onChange={(stepId) => router.push(hrefOf(stepId))}
          options={[
            ...steps.map((step) => ({
              value: step.id as string,
              label: `${stepTexts[step.id].label}${step.isDone ? ' (done)' : step.isNext ? ' (next)' : ''}`,
            })),
            ...tools.map(({ id, label }) => ({ value: id as string, label: `Tool: ${label.toLowerCase()}` })),
          ]}
        />
      </Picker>
      <ol>
        {steps.map((step) => (
          <Step key={step.id} data-done={step.isDone || undefined}>
            <StepLink href={hrefOf(step.id)} aria-current={step.id === current ? 'step' : undefined}>
              {step.isNext ? (
                <NextDrop>
                  <Drop />
                </NextDrop>
              ) : (
                <Dot data-done={step.isDone || undefined}>
                  {step.isDone && <Check size={13} strokeWidth={4} aria-hidden="true" />}
                </Dot>
              )}
              <span>
                <b>{stepTexts[step.id].label}</b>
                <small>{describeStepState(step.id, card, overview, cause)}</small>
                <VisuallyHidden>{step.isDone ? ' done' : step.isNext ? ' next' : ''}</VisuallyHidden>
              </span>
            </StepLink>
          </Step>
        ))}
      </ol>
      <Tools aria-label="Tools">
        {tools.map(({ id, label, what, Icon }) => (
          <li key={id}>
            <StepLink href={hrefOf(id)} aria-current={id === current ? 'page' : undefined}>
              <Icon size={20} aria-hidden="true" />
              <span>
                <b>{label}</b>
                <small>{what}</small>
              </span>
            </StepLink>
          </li>
        ))}
      </Tools>
    </Nav>
  );
}
