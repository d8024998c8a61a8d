'use client';

import { ChevronDown, ChevronUp, FileInput, RotateCw, Trash2 } from 'lucide-react';
import styled from 'styled-components';
import type { CardClip, HardwareVerdict } from '@/core/card';
import type { ClipRow, LoneClipCost } from '@/core/diagnose';
import type { LaneId } from '@/core/load';
import { driveKinds } from '@/core/machine';
import { describeFormat } from '@/messages/clip-facts';
import { describeTrait, traitLabel } from '@/messages/clip-traits';
import { formatMs, formatWait } from '@/messages/format';
import { driveTexts } from '@/messages/machine';
import { Button } from '@/ui/Button';
import { Disclosure } from '@/ui/Disclosure';
import { Row, Soft } from '@/ui/layout';
import { SelectField } from '@/ui/SelectField';
import { Sheet } from '@/ui/Sheet';
import { SidePanel } from '@/ui/SidePanel';
import { colour } from '@/ui/tokens';
import { useFilePicker } from '@/ui/use-file-picker';
import { useOpenCard } from '../shell/card/use-open-card';
import { ClipFactsList } from './ClipFactsList';
import { findFile } from './session-files';
import { TestPlayPanel } from './TestPlayPanel';

const Traits = styled.ul`
  display: grid;
  gap: 6px;
`;
const Costs = styled.dl`
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 12px;
  dt { font-size: 14px; color: ${colour.inkSoft}; }
  dd { font-size: 22px; font-weight: 700; }
  dd[data-over] { color: ${colour.alarm}; }
`;

const laneTexts: Readonly<Record<LaneId, string>> = {
  drive: 'Reading takes longest: the drive gives it too slowly for anything else to matter first.',
  decoder: 'Decoding takes longest: the picture is made out of the file before anything can be done with it.',
  drawing: 'Drawing takes longest: scaling, effects and layers take longer here than getting at the picture.',
};

const verdictTexts: Readonly<Record<HardwareVerdict['source'], string>> = {
  'test-play': 'from a test-play on this machine',
  browser: 'this browser was asked for this very clip',
  'graphics-year': 'by the year of the graphics',
  'no-graphics': 'the machine has no graphics that the editor can use',
};
const verdictNames: Readonly<Record<HardwareVerdict['state'], string>> = {
  measured: 'measured',
  likely: 'likely',
  unlikely: 'unlikely',
};

function CostOfClip({ cost, budgetMs }: { readonly cost: LoneClipCost; readonly budgetMs: number }) {
  return (
    <>
      <Costs>
        <div>
          <dt>This clip, a frame</dt>
          <dd data-over={cost.isOverBudget || undefined}>{formatMs(cost.ownMs)} ms</dd>
        </div>
        <div>
          <dt>With the timeline</dt>
          <dd data-over={cost.frameMs > budgetMs || undefined}>{formatMs(cost.frameMs)} ms</dd>
        </div>
        <div>
          <dt>Moving the playhead</dt>
          <dd>{formatWait(cost.scrubMs)}</dd>
        </div>
      </Costs>
      <Soft as="p" $abovePx={8}>
        {formatMs(budgetMs)} ms are there for a frame. {laneTexts[cost.bindingLane]}
      </Soft>
    </>
  );
}

export interface ClipSheetActions {
  readonly onReadInto: (clip: CardClip, file: File) => void;
  readonly onRemove: (clips: readonly CardClip[]) => void;
  readonly onOpen: (clipId: string) => void;
  readonly onClose: () => void;
}

interface ClipSheetProps extends ClipSheetActions {
  readonly clip: CardClip;
  readonly row: ClipRow;
  readonly budgetMs: number;
  readonly neighbours: { readonly before: string | null; readonly after: string | null };
}

/** Everything that is known of one clip, what it costs here, and what can be done with it. */
export function ClipSheet(props: ClipSheetProps) {
  const { clip, row, budgetMs, neighbours, onReadInto, onRemove, onOpen, onClose } = props;
  const { card, run } = useOpenCard();
  const { facts } = clip;
  const file = findFile(clip.id);
  const rest = 'as-the-rest';
  const picker = useFilePicker({
    label: `Choose a file in place of ${facts.fileName}`,
    onFiles: ([chosen]) => chosen && onReadInto(clip, chosen),
  });
  return (
    <SidePanel
      title={facts.fileName}
      onClose={onClose}
      actions={
        <>
          <Button
            variant="quiet"
            aria-label="The clip before"
            isDisabled={neighbours.before === null}
            onPress={() => neighbours.before !== null && onOpen(neighbours.before)}
          >
            <ChevronUp size={20} aria-hidden="true" />
          </Button>
          <Button
            variant="quiet"
            aria-label="The next clip"
            isDisabled={neighbours.after === null}
            onPress={() => neighbours.after !== null && onOpen(neighbours.after)}
          >
            <ChevronDown size={20} aria-hidden="true" />
          </Button>
        </>
      }
    >
      <Soft as="p" $belowPx={12}>
        {describeFormat(facts)}
      </Soft>
      {row.cost && (
        <Sheet title="What it costs here" aside="by the estimate">
          <CostOfClip cost={row.cost} budgetMs={budgetMs} />
        </Sheet>
      )}
      {row.traits.length > 0 && (
        <Sheet title="What stands out">
          <Traits>
            {row.traits.map((trait) => (
              <li key={trait}>
                <Disclosure label={traitLabel(trait)}>{describeTrait(trait, facts)}</Disclosure>
              </li>
            ))}
          </Traits>
          {facts.kind === 'video' && (
            <Soft as="p" $abovePx={8}>
              Hardware decoding {verdictNames[row.hardware.state]}: {verdictTexts[row.hardware.source]}.
            </Soft>
          )}
        </Sheet>
      )}
      {facts.kind === 'video' && <TestPlayPanel key={clip.id} clip={clip} facts={facts} onOpen={onOpen} />}
      <Sheet title="Facts">
        <ClipFactsList clip={clip} />
      </Sheet>
      <Sheet title="The file">
        <SelectField
          label="Where it lies"
          value={clip.drive ?? rest}
          options={[
            { value: rest, label: `${driveTexts[card.machine.footageDrive.value]} (footage drive)` },
            ...driveKinds.map(({ id }) => ({ value: id, label: driveTexts[id] })),
          ]}
          onChange={(drive) =>
            run({ type: 'setClipDrive', input: { ids: [clip.id], drive: drive === rest ? null : drive } })
          }
        />
        {picker.input}
        <Row $abovePx={14}>
          <Button onPress={() => (file ? onReadInto(clip, file) : picker.open())}>
            <RotateCw size={17} aria-hidden="true" /> Read again
          </Button>
          <Button onPress={picker.open}>
            <FileInput size={17} aria-hidden="true" /> Use another file
          </Button>
          <Button variant="danger" onPress={() => onRemove([clip])}>
            <Trash2 size={17} aria-hidden="true" /> Remove
          </Button>
        </Row>
      </Sheet>
    </SidePanel>
  );
}
