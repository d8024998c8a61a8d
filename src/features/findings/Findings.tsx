'use client';

import { useMemo } from 'react';
import { latestReading, readingInForce } from '@/core/card';
import { computeFindings } from '@/core/diagnose';
import { describeBudget, describeFit, settlingTests } from '@/messages/findings';
import { formatMs } from '@/messages/format';
import { causeTexts } from '@/messages/load';
import { Disclosure } from '@/ui/Disclosure';
import { FrameBudget } from '@/ui/FrameBudget';
import { Soft } from '@/ui/layout';
import { Note } from '@/ui/Note';
import { Sheet } from '@/ui/Sheet';
import { toBudgetLanes } from '../shell/budget-lanes';
import { StepPage } from '../shell/StepPage';
import { useOpenCard } from '../shell/use-open-card';
import { useWhatIf } from './use-what-if';
import { WhatIf } from './WhatIf';

/** Where each frame's time goes, what binds, and what would move it. */
export function Findings() {
  const { card } = useOpenCard();
  const findings = useMemo(() => computeFindings(card), [card]);
  const reading = readingInForce(card) ?? latestReading(card);
  const fit = reading?.shownFps != null ? describeFit(reading.shownFps, findings) : null;
  const whatIf = useWhatIf(card);
  const { bindingCause } = findings;
  return (
    <StepPage stepId="findings">
      {card.clips.length === 0 && (
        <Note>
          No footage on this card yet: a usual 1080-line phone clip stands in for it. Add your own for figures of your
          project.
        </Note>
      )}
      <Sheet
        title="Frame budget"
        aside={whatIf.isChanged ? <b>with the choices below</b> : 'playing the heaviest quarter of the footage'}
      >
        <FrameBudget lanes={toBudgetLanes(whatIf.after.stages)} budgetMs={findings.budgetMs} formatMs={formatMs} />
        <p>{describeBudget(findings)}</p>
        <div style={{ marginTop: 10 }}>
          <Disclosure label="Where do these figures come from?">
            From what is on this card and a table of measured costs: decoding and effects were timed on a reference
            machine, and are scaled to yours. Lanes work side by side like a production line, so the slowest sets the
            rate. The range is the middle 80 % over what is not known of your machine and editor.
          </Disclosure>
        </div>
      </Sheet>
      <WhatIf card={card} state={whatIf} />
      <Sheet title="What binds" aside="by the estimate; not yet tested">
        {bindingCause ? (
          <>
            <h3 style={{ fontSize: 17 }}>{causeTexts[bindingCause].title}</h3>
            <p>{causeTexts[bindingCause].why}</p>
            <p style={{ marginTop: 8 }}>
              <Soft>What would settle it:</Soft> {settlingTests[bindingCause]}
            </p>
          </>
        ) : (
          <p>By the estimate this preview should be usable.</p>
        )}
        {fit && (
          <div style={{ marginTop: 12 }}>
            <Note kind={fit.fits ? 'good' : 'info'}>{fit.text}</Note>
          </div>
        )}
      </Sheet>
    </StepPage>
  );
}
