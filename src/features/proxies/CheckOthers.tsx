'use client';

import { Check, FileSearch, TriangleAlert } from 'lucide-react';
import { useEffect, useReducer, useRef } from 'react';
import type { ProxyCandidate } from '@/core/fixes';
import { pairByName } from '@/core/footage';
import { describeCheck, describeProxyFailure } from '@/messages/proxies';
import { Button } from '@/ui/Button';
import { DataTable, TableFrame } from '@/ui/DataTable';
import { Row, Soft, Spaced } from '@/ui/layout';
import { Sheet } from '@/ui/Sheet';
import { colour } from '@/ui/tokens';
import { useFilePicker } from '@/ui/use-file-picker';
import { type RunningCheck, startProxyCheck } from '@/workers/proxy.client';
import { findFile } from '../footage/session-files';
import { useOpenCard } from '../shell/card/use-open-card';
import { type CheckedFile, reduceChecks } from './checks-state';

interface CheckOthersProps {
  readonly candidates: readonly ProxyCandidate[];
}

const describeRow = ({ state }: CheckedFile): string => {
  switch (state.status) {
    case 'unpaired':
      return 'no clip on this card has that name';
    case 'original-not-open':
      return 'its original was not opened since this page was: choose it with the clips above';
    case 'waiting':
      return 'waits';
    case 'checking':
      return 'is held against its original';
    case 'done':
      return describeCheck(state.check);
    case 'failed':
      return describeProxyFailure(state.failure);
  }
};

/** Checks proxies that something else made: each is paired with its original by name, opened and compared. */
export function CheckOthers({ candidates }: CheckOthersProps) {
  const { run } = useOpenCard();
  const [rows, dispatch] = useReducer(reduceChecks, []);
  const running = useRef<RunningCheck | null>(null);
  const isGone = useRef(false);
  useEffect(() => {
    isGone.current = false;
    return () => {
      isGone.current = true;
      running.current?.stop();
    };
  }, []);
  const checkAll = async (files: readonly File[]) => {
    const clips = candidates.map(({ clip }) => clip);
    const pairs = files.map((file) => {
      const clip = pairByName(
        clips.map(({ facts }) => facts.fileName),
        file.name,
      );
      const paired = clip === null ? undefined : clips[clip];
      const original = paired && findFile(paired.id);
      return { file, clip: paired, original };
    });
    dispatch({
      type: 'chosen',
      rows: pairs.map(({ file, clip, original }) => ({
        name: file.name,
        state: { status: !clip ? 'unpaired' : original ? 'waiting' : 'original-not-open' },
      })),
    });
    for (const { file, clip, original } of pairs) {
      if (!clip || !original || isGone.current) continue;
      dispatch({ type: 'began', name: file.name });
      const job = startProxyCheck(original, file);
      running.current = job;
      const outcome = await job.outcome;
      if (isGone.current) return;
      dispatch({ type: 'ended', name: file.name, outcome });
      if (!outcome.ok) continue;
      const { check, outline } = outcome.value;
      run({
        type: 'setProxies',
        input: {
          proxies: [
            {
              clipId: clip.id,
              fileName: file.name,
              folderName: '',
              widthPx: outline.widthPx,
              heightPx: outline.heightPx,
              isEveryFrameKey: outline.keyFrameCount >= outline.timesMs.length,
              sizeBytes: file.size,
              madeAtMs: file.lastModified,
              isShown: 'unknown',
              faults: check.faults.map(({ code }) => code),
            },
          ],
        },
      });
    }
  };
  const picker = useFilePicker({
    label: 'Choose proxies to check',
    accept: 'video/*,image/*,.mov,.mkv',
    isMultiple: true,
    onFiles: checkAll,
  });
  return (
    <Sheet title="Proxies that you have already" aside="checked against their originals">
      {picker.input}
      <Row>
        <Button onPress={picker.open}>
          <FileSearch size={18} aria-hidden="true" /> Choose proxies to check
        </Button>
        <Soft>Paired by their names. Length, frames, sound and pictures are compared; nothing is changed.</Soft>
      </Row>
      {rows.length > 0 && (
        <Spaced $abovePx={12}>
          <TableFrame>
            <DataTable aria-label="Proxies that were checked">
              <tbody>
                {rows.map((row) => (
                  <tr key={row.name}>
                    <td>
                      {row.state.status === 'done' &&
                        (row.state.check.isGood ? (
                          <Check size={18} color={colour.good} aria-label="fine" />
                        ) : (
                          <TriangleAlert size={18} color={colour.alarm} aria-label="something is wrong" />
                        ))}
                    </td>
                    <th scope="row">{row.name}</th>
                    <td>{describeRow(row)}</td>
                  </tr>
                ))}
              </tbody>
            </DataTable>
          </TableFrame>
        </Spaced>
      )}
    </Sheet>
  );
}
