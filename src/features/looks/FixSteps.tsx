'use client';

import styled from 'styled-components';
import { amountsTried, ownNameOf } from '@/core/card';
import { keptState } from '@/core/diagnose';
import { type FixId, type FixLevel, memorySplitUnder, previewFixIds, qualityRatioOf } from '@/core/fixes';
import { describeOwnQuality } from '@/messages/editor';
import { describeAmountsTried, fixTexts } from '@/messages/fixes';
import { TextField } from '@/ui/TextField';
import { colour } from '@/ui/tokens';
import { MemorySplit } from '../programs/MemorySplit';
import { useOpenCard } from '../shell/card/use-open-card';

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
const NoteField = styled.div`
  max-width: 460px;
  margin: 4px 0 14px;
`;

/** What to do in three lines, where editors usually keep it, room for where it is in one's own, and how to see that it acts. */
export function FixSteps({ fixId, level }: { readonly fixId: FixId; readonly level: FixLevel }) {
  const { card, run } = useOpenCard();
  const text = fixTexts[fixId];
  const note = card.editorProfile.notes.find((kept) => kept.fixId === fixId)?.text ?? '';
  const ratio = fixId === previewFixIds.quality ? qualityRatioOf(level) : null;
  const ownName = ratio === null ? null : ownNameOf(card.editorProfile, ratio);
  const split = memorySplitUnder(keptState(card).setup, { id: fixId, level });
  const tried = split && describeAmountsTried(amountsTried(card, fixId));
  return (
    <>
      <Steps>
        {text.steps(level).map((step) => (
          <li key={step}>{step}</li>
        ))}
      </Steps>
      <MemorySplit split={split} label="How memory would be split" />
      {tried !== null && <p>{tried}</p>}
      {ownName !== null && <p>{describeOwnQuality(ownName)}</p>}
      <Terms>
        <dt>Where editors usually keep it</dt>
        <dd>{text.where}</dd>
        <dt>How to see that it took effect</dt>
        <dd>{text.check}</dd>
      </Terms>
      <NoteField>
        <TextField
          label="Where it is in my editor (kept for the next card)"
          value={note}
          onCommit={(written) => run({ type: 'noteFix', input: { fixId, text: written.slice(0, 500) } }).ok}
        />
      </NoteField>
    </>
  );
}
