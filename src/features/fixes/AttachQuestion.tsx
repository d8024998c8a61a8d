'use client';

import type { JobCard } from '@/core/card';
import { bringsCopies, type FixId } from '@/core/fixes';
import { attachWaySteps, attachWayTexts } from '@/messages/working';
import { Spaced } from '@/ui/layout';
import { Note } from '@/ui/Note';
import { AttachWayField } from '../editor/AttachWayField';

/** Beside a fix that needs small copies: how the editor takes them, asked once; then what that means. */
export function AttachQuestion({ card, fixId }: { readonly card: JobCard; readonly fixId: FixId }) {
  if (!bringsCopies(fixId)) return null;
  const { attachWay } = card.editorProfile;
  if (attachWay === 'unknown')
    return (
      <Spaced $mostPx={420} $belowPx={12}>
        <AttachWayField card={card} />
      </Spaced>
    );
  return (
    <Note>
      <b>Your editor takes small copies: {attachWayTexts[attachWay].label.toLowerCase()}.</b>{' '}
      {attachWaySteps[attachWay]}
    </Note>
  );
}
