'use client';

import { useState } from 'react';
import type { CardClip, ClipCorrection } from '@/core/card';
import { type ChromaFormat, chromaFormats, type ScanKind, scanKinds } from '@/core/footage';
import { scanTexts } from '@/messages/clip-facts';
import { formatCount } from '@/messages/format';
import { Button } from '@/ui/Button';
import { DialogBox } from '@/ui/DialogBox';
import { FieldGrid, Paragraph, Row, Soft } from '@/ui/layout';
import { SelectField } from '@/ui/SelectField';
import { useOpenCard } from '../shell/card/use-open-card';

const asRead = 'as-read';
const depths = ['8', '10', '12', '14', '16'] as const;
const asReadOption = { value: asRead, label: 'Leave as it is' } as const;

/** What was chosen for all; what was left alone stays as each clip has it. */
interface Choices {
  readonly bitDepth: (typeof depths)[number] | typeof asRead;
  readonly chroma: ChromaFormat | typeof asRead;
  readonly scan: ScanKind | typeof asRead;
  readonly pace: 'even' | 'uneven' | typeof asRead;
}

const toCorrection = ({ bitDepth, chroma, scan, pace }: Choices): ClipCorrection => ({
  ...(bitDepth === asRead ? {} : { bitDepth: Number(bitDepth) }),
  ...(chroma === asRead ? {} : { chroma }),
  ...(scan === asRead ? {} : { scan }),
  ...(pace === asRead ? {} : { isVariableFrameRate: pace === 'uneven' }),
});

/** Gives the same facts to many clips at once, over what was read of them. */
export function FactsDialog({ clips, onClose }: { readonly clips: readonly CardClip[]; readonly onClose: () => void }) {
  const { run } = useOpenCard();
  const [choices, setChoices] = useState<Choices>({ bitDepth: asRead, chroma: asRead, scan: asRead, pace: asRead });
  const set = (change: Partial<Choices>) => setChoices((now) => ({ ...now, ...change }));
  const videos = clips.filter((clip) => clip.facts.kind === 'video');
  const facts = toCorrection(choices);
  const store = () => {
    const ids = videos.map((clip) => clip.id);
    if (run({ type: 'correctClips', input: { ids, facts } }).ok) onClose();
  };
  return (
    <DialogBox title={`State facts of ${formatCount(videos.length, 'video')}`} widthPx={560} onClose={onClose}>
      <Paragraph $belowPx={12}>
        <Soft>
          For what a file or report does not say, or says wrongly. It is marked as typed; reading the file again brings
          back what it says.
        </Soft>
      </Paragraph>
      <FieldGrid>
        <SelectField
          label="Bit depth"
          value={choices.bitDepth}
          options={[asReadOption, ...depths.map((value) => ({ value, label: `${value}-bit` }))]}
          onChange={(bitDepth) => set({ bitDepth })}
        />
        <SelectField
          label="Chroma"
          value={choices.chroma}
          options={[
            asReadOption,
            ...chromaFormats.filter((value) => value !== 'unknown').map((value) => ({ value, label: value })),
          ]}
          onChange={(chroma) => set({ chroma })}
        />
        <SelectField
          label="Scan"
          value={choices.scan}
          options={[
            asReadOption,
            ...scanKinds.filter((value) => value !== 'unknown').map((value) => ({ value, label: scanTexts[value] })),
          ]}
          onChange={(scan) => set({ scan })}
        />
        <SelectField
          label="Frame rate"
          value={choices.pace}
          options={[asReadOption, { value: 'even', label: 'even' }, { value: 'uneven', label: 'uneven' }]}
          onChange={(pace) => set({ pace })}
        />
      </FieldGrid>
      <Row $abovePx={18}>
        <Button variant="primary" isDisabled={Object.keys(facts).length === 0 || videos.length === 0} onPress={store}>
          State these
        </Button>
        <Button onPress={onClose}>Cancel</Button>
      </Row>
    </DialogBox>
  );
}
