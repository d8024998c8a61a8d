'use client';

import { editorAttachWays, type JobCard } from '@/core/card';
import { attachWayTexts } from '@/messages/working';
import { SelectField } from '@/ui/SelectField';
import { useOpenCard } from '../shell/card/use-open-card';

const options = editorAttachWays.map((value) => ({ value, ...attachWayTexts[value] }));

/** In which way the person's editor takes small copies: asked once, and remembered. */
export function AttachWayField({ card }: { readonly card: JobCard }) {
  const { run } = useOpenCard();
  return (
    <SelectField
      label="How does your editor take small copies (proxies)?"
      options={options}
      value={card.editorProfile.attachWay}
      onChange={(attachWay) => run({ type: 'setEditorProfile', input: { patch: { attachWay } } })}
    />
  );
}
