'use client';

import { Copy, FileUp } from 'lucide-react';
import { useRef, useState } from 'react';
import styled from 'styled-components';
import { reportCommands } from '@/messages/ffprobe-report';
import { Button } from '@/ui/Button';
import { DialogBox } from '@/ui/DialogBox';
import { Row } from '@/ui/layout';
import { colour, font } from '@/ui/tokens';

const Command = styled.div`
  margin: 10px 0;
  h3 { font: 600 15px ${font.text}; letter-spacing: 0; margin-bottom: 3px; }
  > div { display: flex; gap: 8px; align-items: flex-start; }
  code {
    flex: 1;
    min-width: 0;
    padding: 8px 10px;
    border-radius: 4px;
    background: ${colour.inset};
    font: 13.5px/1.45 ${font.mono};
    overflow-wrap: anywhere;
    user-select: all;
  }
`;

interface ReportDialogProps {
  readonly onReports: (files: readonly File[]) => void;
  readonly onClose: () => void;
}

/** For files that are not read here: the command that makes a report of them, and the way to add it. */
export function ReportDialog({ onReports, onClose }: ReportDialogProps) {
  const input = useRef<HTMLInputElement>(null);
  const [copied, setCopied] = useState<string | null>(null);
  const copy = async (system: string, command: string) => {
    try {
      await navigator.clipboard.writeText(command);
      setCopied(`Copied the command for ${system}.`);
    } catch {
      setCopied('The browser does not let Oil Can copy. Press the command once to mark it, then copy it yourself.');
    }
  };
  return (
    <DialogBox title="Add an ffprobe report" widthPx={660} onClose={onClose}>
      <p>
        AVI, MXF and other files that are not read here can be told by ffprobe, a free program that comes with ffmpeg.
        Run one of these in the folder of the clips, with the endings that they have; then add the file “clips.json”
        that it writes.
      </p>
      {reportCommands.map(({ system, command }) => (
        <Command key={system}>
          <h3>{system}</h3>
          <div>
            <code>{command}</code>
            <Button aria-label={`Copy for ${system}`} onPress={() => copy(system, command)}>
              <Copy size={17} aria-hidden="true" />
            </Button>
          </div>
        </Command>
      ))}
      <p role="status" style={{ minHeight: '1.45em' }}>
        {copied}
      </p>
      <input
        ref={input}
        type="file"
        accept=".json,application/json"
        multiple
        hidden
        aria-label="Choose report files"
        onChange={(event) => {
          onReports([...(event.target.files ?? [])]);
          onClose();
        }}
      />
      <Row style={{ marginTop: 8 }}>
        <Button look="primary" onPress={() => input.current?.click()}>
          <FileUp size={18} aria-hidden="true" /> Choose the report
        </Button>
        <Button onPress={onClose}>Cancel</Button>
      </Row>
    </DialogBox>
  );
}
