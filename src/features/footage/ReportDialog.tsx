'use client';

import { FileUp } from 'lucide-react';
import styled from 'styled-components';
import { reportCommands } from '@/messages/ffprobe-report';
import { Button } from '@/ui/Button';
import { CommandLine } from '@/ui/CommandLine';
import { DialogBox } from '@/ui/DialogBox';
import { Row } from '@/ui/layout';
import { font } from '@/ui/tokens';
import { useFilePicker } from '@/ui/use-file-picker';

const Command = styled.div`
  margin: 10px 0;
  h3 { font: 600 15px ${font.text}; letter-spacing: 0; margin-bottom: 3px; }
`;

interface ReportDialogProps {
  readonly onReports: (files: readonly File[]) => void;
  readonly onClose: () => void;
}

/** For files that are not read here: the command that makes a report of them, and the way to add it. */
export function ReportDialog({ onReports, onClose }: ReportDialogProps) {
  const picker = useFilePicker({
    label: 'Choose report files',
    accept: '.json,application/json',
    isMultiple: true,
    onFiles: (files) => {
      onReports(files);
      onClose();
    },
  });
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
          <CommandLine command={command} of={system} />
        </Command>
      ))}
      {picker.input}
      <Row $abovePx={8}>
        <Button variant="primary" onPress={picker.open}>
          <FileUp size={18} aria-hidden="true" /> Choose the report
        </Button>
        <Button onPress={onClose}>Cancel</Button>
      </Row>
    </DialogBox>
  );
}
