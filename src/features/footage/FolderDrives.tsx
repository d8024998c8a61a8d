'use client';

import { groups } from 'd3-array';

import { memo, useMemo } from 'react';
import styled from 'styled-components';
import type { CardClip, JobCard } from '@/core/card';
import { type DriveKind, driveKinds } from '@/core/machine';
import { formatBytes, formatCount } from '@/messages/format';
import { driveTexts } from '@/messages/machine';
import { SelectField } from '@/ui/SelectField';
import { Sheet } from '@/ui/Sheet';
import { colour } from '@/ui/tokens';

const List = styled.ul`
  display: grid;
  gap: 10px;
  li { display: grid; grid-template-columns: minmax(0, 1fr) minmax(200px, 260px); gap: 4px 20px; align-items: center; }
  small { display: block; color: ${colour.inkSoft}; font-size: 14px; }
  b { overflow-wrap: anywhere; }
  @media (max-width: 560px) { li { grid-template-columns: minmax(0, 1fr); } }
`;

const asTheRest = 'as-the-rest';
type Choice = DriveKind | typeof asTheRest;

interface Folder {
  readonly name: string;
  readonly clips: readonly CardClip[];
}

/** Clips by the folder they came with, in the order in which the folders first occur. */
function listFolders(clips: readonly CardClip[]): readonly Folder[] {
  return groups(clips, ({ folder }) => folder).map(([name, list]) => ({ name, clips: list }));
}

/** The drive that all clips of a folder are said to lie on; null where they differ. */
function driveOfFolder({ clips }: Folder): Choice | null {
  const drives = new Set(clips.map((clip) => clip.drive));
  return drives.size === 1 ? (clips[0]?.drive ?? asTheRest) : null;
}

interface FolderDrivesProps {
  readonly card: JobCard;
  readonly onSetDrive: (ids: readonly string[], drive: DriveKind | null) => void;
}

/** Where each folder's files lie: asked, because a browser cannot know it. */
export const FolderDrives = memo(function FolderDrives({ card, onSetDrive }: FolderDrivesProps) {
  const folders = useMemo(() => listFolders(card.clips), [card.clips]);
  const rest = driveTexts[card.machine.footageDrive.value];
  return (
    <Sheet title="Where the files lie" aside="Not guessed: only you can see it.">
      <List>
        {folders.map((folder) => (
          <li key={folder.name}>
            <span>
              <b>{folder.name === '' ? 'Files added by themselves' : folder.name}</b>
              <small>
                {formatCount(folder.clips.length, 'clip')},{' '}
                {formatBytes(folder.clips.reduce((sum, clip) => sum + clip.facts.sizeBytes, 0))}
              </small>
            </span>
            <SelectField<Choice>
              label={`Drive of ${folder.name === '' ? 'these files' : folder.name}`}
              value={driveOfFolder(folder)}
              placeholder="On different drives"
              options={[
                { value: asTheRest, label: `${rest} (footage drive)` },
                ...driveKinds.map(({ id }) => ({ value: id, label: driveTexts[id] })),
              ]}
              onChange={(choice) =>
                onSetDrive(
                  folder.clips.map((clip) => clip.id),
                  choice === asTheRest ? null : choice,
                )
              }
            />
          </li>
        ))}
      </List>
    </Sheet>
  );
});
