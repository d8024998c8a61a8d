'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import styled from 'styled-components';
import type { JobCard } from '@/core/card';
import { type Diagnosis, isChosenPlan, type Plan } from '@/core/diagnose';
import { complaintOf, isOfPlaying } from '@/core/usable';
import { formatChance, planTexts } from '@/messages/diagnosis';
import { fixTitle } from '@/messages/fix-titles';
import { formatFpsRange, formatMinutes, formatWaitRange } from '@/messages/format';
import { Button } from '@/ui/Button';
import { Soft } from '@/ui/layout';
import { Note } from '@/ui/Note';
import { Sheet } from '@/ui/Sheet';
import { colour, font } from '@/ui/tokens';
import { useOpenCard } from '../shell/card/use-open-card';

const Grid = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 230px), 1fr));
  gap: 12px;
`;
const Bought = styled.div`
  h3 { margin: 10px 0 4px; font-size: 16px; }
  ul { padding-left: 20px; font-size: 15px; }
`;
const Card = styled.article`
  display: flex;
  flex-direction: column;
  padding: 12px 14px;
  border: 1px solid ${colour.line};
  border-radius: 8px;
  h3 { font: 650 16.5px/1.25 ${font.heading}; }
  > p { font-size: 14.5px; color: ${colour.inkSoft}; }
  ol { margin: 8px 0; padding-left: 22px; list-style: decimal; font-size: 15px; }
  li { margin-bottom: 3px; }
  dl { display: grid; grid-template-columns: 62px 1fr; gap: 1px 8px; font-size: 14.5px; }
  dt { color: ${colour.inkSoft}; }
  /* However long the lists, the buttons of a row stand at one height. */
  dl { margin-bottom: 10px; }
  > button { margin-top: auto; align-self: flex-start; }
`;

/** What a plan brings in the respects that are complained of. */
function describeGain({ shownFps, scrubMs }: Plan, card: JobCard): string {
  const complaint = complaintOf(card);
  const [isPlaying, isScrubbing] = [isOfPlaying(complaint), complaint.includes('scrubbing')];
  const parts = [
    ...(isPlaying || !isScrubbing ? [`${formatFpsRange(shownFps)} a second`] : []),
    ...(isScrubbing ? [`a move of the playhead ${formatWaitRange(scrubMs)}`] : []),
  ];
  return parts.join(', ');
}

/** Ways to a usable preview; where there is none, what something bought would bring. */
export function Plans({ card, diagnosis }: { readonly card: JobCard; readonly diagnosis: Diagnosis }) {
  const { plans, upgrades, usableProbability } = diagnosis;
  const { run } = useOpenCard();
  const router = useRouter();
  const follow = ({ fixes }: Plan) => {
    if (run({ type: 'choosePlan', input: { fixes } }).ok) router.push(`/card/${encodeURIComponent(card.id)}/fixes`);
  };
  if (plans.length === 0 && usableProbability > 0.8) return null;
  return (
    <Sheet
      title="Ways to a usable preview"
      aside={<Link href={`/card/${encodeURIComponent(card.id)}/what-if`}>change one in What if</Link>}
    >
      {plans.length > 0 ? (
        <Grid>
          {plans.map((plan) => (
            <Card key={plan.id}>
              <h3>{planTexts[plan.id].label}</h3>
              <p>{planTexts[plan.id].what}</p>
              <ol>
                {plan.fixes.map((fix) => (
                  <li key={fix.id}>{fixTitle(fix.id, fix.level)}</li>
                ))}
              </ol>
              <dl>
                <dt>takes</dt>
                <dd>{formatMinutes(plan.minutes)}</dd>
                <dt>brings</dt>
                <dd>{describeGain(plan, card)}</dd>
                <dt>usable</dt>
                <dd>{formatChance(plan.probability)}</dd>
              </dl>
              <Button
                aria-label={`Follow this plan: ${planTexts[plan.id].label}`}
                isDisabled={isChosenPlan(card, plan.fixes)}
                onPress={() => follow(plan)}
              >
                {isChosenPlan(card, plan.fixes) ? 'Your plan' : 'Follow this plan'}
              </Button>
            </Card>
          ))}
        </Grid>
      ) : (
        <>
          <Note>
            No set of fixes within reach is likely to make this preview usable. The steps above may still show a cause
            that is not seen yet.
          </Note>
          {upgrades.length > 0 && (
            <Bought>
              <h3>What something bought would bring</h3>
              <ul>
                {upgrades.map(({ id, shownFps, usableProbability: chance }) => (
                  <li key={id}>
                    {fixTitle(id, null)}: {formatFpsRange(shownFps)} a second,{' '}
                    <Soft>usable {formatChance(chance)}</Soft>
                  </li>
                ))}
              </ul>
            </Bought>
          )}
        </>
      )}
    </Sheet>
  );
}
