'use client';

import { PencilLine, RotateCw, Trash2 } from 'lucide-react';
import { useState } from 'react';
import styled from 'styled-components';
import type { CardClip } from '@/core/card';
import { type DriveKind, driveKinds } from '@/core/machine';
import { formatCount } from '@/messages/format';
import { driveTexts } from '@/messages/machine';
import { Button } from '@/ui/Button';
import { SelectField } from '@/ui/SelectField';
import { colour } from '@/ui/tokens';
import { FactsDialog } from './FactsDialog';

const Bar = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 8px 10px;
  margin: 0 -18px;
  padding: 10px 18px;
  background: ${colour.oilWash};
  border-top: 1px solid ${colour.line};
  > b { align-self: center; }
  > div { width: 158px; }
`;

export interface SelectionActions {
  readonly onSetDrive: (ids: readonly string[], drive: DriveKind | null) => void;
  readonly onReadAgain: (clips: readonly CardClip[]) => void;
  readonly onRemove: (clips: readonly CardClip[]) => void;
}

interface SelectionBarProps extends SelectionActions {
  readonly clips: readonly CardClip[];
  /** How many of them the filter leaves out of the table. */
  readonly hiddenCount: number;
  readonly onClear: () => void;
}

/** What can be done with all selected clips at once. */
export function SelectionBar({ clips, hiddenCount, onSetDrive, onReadAgain, onRemove, onClear }: SelectionBarProps) {
  const [isStating, setIsStating] = useState(false);
  if (clips.length === 0) return null;
  const ids = clips.map((clip) => clip.id);
  return (
    <Bar role="group" aria-label="Selected clips">
      <b>
        {formatCount(clips.length, 'clip')} selected{hiddenCount > 0 && `, ${hiddenCount} of them not shown`}
      </b>
      <div>
        <SelectField<DriveKind>
          label="Drive"
          value={null}
          placeholder="Say which"
          options={driveKinds.map(({ id }) => ({ value: id, label: driveTexts[id] }))}
          onChange={(drive) => onSetDrive(ids, drive)}
        />
      </div>
      <Button onPress={() => setIsStating(true)}>
        <PencilLine size={17} aria-hidden="true" /> State facts
      </Button>
      <Button onPress={() => onReadAgain(clips)}>
        <RotateCw size={17} aria-hidden="true" /> Read again
      </Button>
      <Button variant="danger" onPress={() => onRemove(clips)}>
        <Trash2 size={17} aria-hidden="true" /> Remove
      </Button>
      <Button variant="quiet" onPress={onClear}>
        Select none
      </Button>
      {isStating && <FactsDialog clips={clips} onClose={() => setIsStating(false)} />}
    </Bar>
  );
}
