'use client';

import type { JobCard } from '@/core/card';
import type { KnownState } from '@/core/machine';
import { copiesQuestion } from '@/messages/export-check';
import { Paragraph, Soft, Spaced } from '@/ui/layout';
import { Note } from '@/ui/Note';
import { SegmentedField } from '@/ui/SegmentedField';
import { Sheet } from '@/ui/Sheet';
import { useOpenCard } from '../shell/card/use-open-card';

const answers: readonly { readonly value: KnownState; readonly label: string }[] = [
  { value: 'no', label: 'No, nothing' },
  { value: 'yes', label: 'Yes' },
  { value: 'unknown', label: 'Not looked yet' },
];

/** Asks outright what the dearest mistake is: a film rendered from small copies. */
export function CopiesQuestion({ card }: { readonly card: JobCard }) {
  const { run } = useOpenCard();
  const { pointsAtCopies } = card.exportCheck;
  return (
    <Sheet title="Small copies" aside="they were in this project">
      <SegmentedField
        label={copiesQuestion.question}
        options={answers}
        value={pointsAtCopies}
        onChange={(answer) => run({ type: 'answerPointsAtCopies', input: { answer } })}
      />
      <Paragraph $abovePx={6}>
        <Soft>{copiesQuestion.how}</Soft>
      </Paragraph>
      {pointsAtCopies === 'yes' && (
        <Spaced $abovePx={10}>
          <Note kind="alarm">
            Link those clips to their originals before you export; then answer once more. A film from small copies has
            their few lines.
          </Note>
        </Spaced>
      )}
    </Sheet>
  );
}
