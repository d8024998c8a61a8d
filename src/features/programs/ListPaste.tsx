'use client';

import { FileUp } from 'lucide-react';
import { useState } from 'react';
import type { ReadList } from '@/adapters/shared/process-list/types';
import type { ProcessListFailure } from '@/core/programs';
import { formatCount } from '@/messages/format';
import { describeListFailure, listCommands } from '@/messages/programs';
import { Button } from '@/ui/Button';
import { CommandLine } from '@/ui/CommandLine';
import { DropArea } from '@/ui/DropArea';
import { Paragraph, Row, Soft, Stack } from '@/ui/layout';
import { Note } from '@/ui/Note';
import { SegmentedField } from '@/ui/SegmentedField';
import { TextArea } from '@/ui/TextArea';
import { useFilePicker } from '@/ui/use-file-picker';

type ListSystem = keyof typeof listCommands;
const systems = (Object.keys(listCommands) as ListSystem[]).map((value) => ({
  value,
  label: listCommands[value].label,
}));

const systemHere = (): ListSystem => {
  if (/^Mac/i.test(navigator.platform)) return 'macos';
  return /^Win/i.test(navigator.platform) ? 'windows' : 'linux';
};

/** A list from the system's own tools: the command to copy, room to paste what it prints, or a file of it. */
export function ListPaste({ onList }: { readonly onList: (list: ReadList) => void }) {
  const [system, setSystem] = useState<ListSystem>(systemHere);
  const [text, setText] = useState('');
  const [failure, setFailure] = useState<ProcessListFailure | null>(null);
  const [skippedCount, setSkippedCount] = useState(0);
  const take = async (source: string | Uint8Array) => {
    // What reads lists knows encodings and tables: it is fetched when there is one.
    const { readProcessList } = await import('@/adapters/shared/process-list/read-process-list');
    const list = readProcessList(source);
    setFailure(list.ok ? null : list.failure);
    if (!list.ok) return;
    setSkippedCount(list.value.skippedLineCount);
    setText('');
    onList(list.value);
  };
  const takeFile = async (chosen: File | undefined) => {
    if (chosen) take(new Uint8Array(await chosen.slice(0, 20_000_001).arrayBuffer()));
  };
  const file = useFilePicker({ label: 'Choose a file with a list', onFiles: ([chosen]) => takeFile(chosen) });
  const { where, command } = listCommands[system];
  return (
    <DropArea onDrop={({ dataTransfer }) => takeFile(dataTransfer.files[0])}>
      <Stack>
        <SegmentedField label="The computer that lags runs" options={systems} value={system} onChange={setSystem} />
        <div>
          <Paragraph $belowPx={6}>
            <Soft>{where}</Soft>
          </Paragraph>
          <CommandLine command={command} />
        </div>
        <TextArea label="What it printed" value={text} onChange={setText} />
        {failure && <Note kind="alarm">{describeListFailure(failure)}</Note>}
        {!failure && skippedCount > 0 && (
          <Note>{formatCount(skippedCount, 'line')} of it could not be read and were left out.</Note>
        )}
        <Row>
          <Button variant="primary" isDisabled={text.trim() === ''} onPress={() => take(text)}>
            Read this list
          </Button>
          {file.input}
          <Button onPress={file.open}>
            <FileUp size={17} aria-hidden="true" /> Choose a file
          </Button>
          <Soft>
            Or drop one here. Nothing of it leaves this computer; what programs were started with is not kept.
          </Soft>
        </Row>
      </Stack>
    </DropArea>
  );
}
