'use client';

import { useState } from 'react';
import type { ProxyFolder } from '@/adapters/browser/proxy-folder';
import type { JobCard } from '@/core/card';
import { isStale, type ManifestEntry } from '@/core/proxies';
import { formatBytes, formatCount } from '@/messages/format';
import { nameRecipeSize } from '@/messages/proxies';
import { Button } from '@/ui/Button';
import { DataTable, TableFrame } from '@/ui/DataTable';
import { Row, Soft, Spaced } from '@/ui/layout';
import { SecondLine } from '@/ui/SecondLine';
import { Sheet } from '@/ui/Sheet';
import { Tag } from '@/ui/Tag';
import { findFile } from '../footage/session-files';

interface MadeProxiesProps {
  readonly card: JobCard;
  readonly folder: ProxyFolder;
  readonly onDelete: (names: readonly string[]) => void;
  /** Null where they lie in a folder of the person's own. */
  readonly onSave: ((name: string) => void) | null;
}

/** What is to be said of a file that Oil Can made: whether its original is another one by now, or belongs to another card. */
function describeEntry(card: JobCard, entry: ManifestEntry): string | null {
  const clip = card.clips.find(({ facts }) => facts.fileName === entry.originalName);
  if (!clip) return 'of a clip that is not on this card';
  const file = findFile(clip.id);
  const original = file ? { sizeBytes: file.size, modifiedMs: file.lastModified } : null;
  return original && isStale(entry, original) ? 'its original was changed since: make it anew' : null;
}

/** What Oil Can made in the folder, how much room it takes, and deleting it. */
export function MadeProxies({ card, folder, onDelete, onSave }: MadeProxiesProps) {
  const [isSure, setSure] = useState(false);
  const { whole, missing, changed } = folder.state;
  if (whole.length + missing.length + changed.length === 0) return null;
  const bytes = whole.reduce((sum, { sizeBytes }) => sum + sizeBytes, 0);
  const rows = [
    ...whole.map((entry) => ({ entry, note: describeEntry(card, entry) })),
    ...changed.map((entry) => ({ entry, note: 'was changed by something else' })),
    ...missing.map((entry) => ({ entry, note: 'is not there any more' })),
  ];
  return (
    <Sheet title="Made so far" aside={`${formatCount(whole.length, 'proxy', 'proxies')}, ${formatBytes(bytes)}`}>
      <TableFrame>
        <DataTable aria-label="Proxies that Oil Can made">
          <tbody>
            {rows.slice(0, 200).map(({ entry, note }) => (
              <tr key={entry.name}>
                <th scope="row">
                  {entry.name} {note && <Tag kind="guess">{note}</Tag>}
                  <SecondLine>
                    of {entry.originalName}, {nameRecipeSize(entry.recipe)}
                  </SecondLine>
                </th>
                <td data-figure>{formatBytes(entry.sizeBytes)}</td>
                {onSave && (
                  <td>
                    <Button variant="quiet" aria-label={`Save ${entry.name}`} onPress={() => onSave(entry.name)}>
                      Save
                    </Button>
                  </td>
                )}
              </tr>
            ))}
          </tbody>
        </DataTable>
      </TableFrame>
      <Spaced $abovePx={12}>
        <Row>
          {isSure ? (
            <>
              <Button
                variant="primary"
                onPress={() => {
                  setSure(false);
                  onDelete(whole.map(({ name }) => name));
                }}
              >
                Delete {formatCount(whole.length, 'proxy', 'proxies')} for good
              </Button>
              <Button variant="quiet" onPress={() => setSure(false)}>
                Keep them
              </Button>
            </>
          ) : (
            <Button variant="quiet" isDisabled={whole.length === 0} onPress={() => setSure(true)}>
              Delete them…
            </Button>
          )}
          <Soft>Only files that Oil Can made, and that are still as it made them.</Soft>
        </Row>
      </Spaced>
    </Sheet>
  );
}
