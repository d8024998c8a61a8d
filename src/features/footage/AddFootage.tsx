'use client';

import { FilePlus2, FileText, FolderPlus } from 'lucide-react';
import { type ChangeEvent, memo, useRef } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { Row } from '@/ui/layout';
import { colour } from '@/ui/tokens';
import { type FolderFile, listFiles } from './dropped-files';

const Zone = styled.div`
  padding: 26px 20px;
  margin-bottom: 12px;
  text-align: center;
  border: 2px dashed ${colour.edge};
  border-radius: 8px;
  > div { justify-content: center; }
  p { flex-basis: 100%; margin-bottom: 12px; color: ${colour.inkSoft}; }
  &[data-full] { padding: 8px 12px; text-align: left; > div { justify-content: space-between; } p { flex: 1 1 180px; margin: 0; } }
  [data-over] > & { border-color: ${colour.enamel}; background: ${colour.inset}; }
`;

interface AddFootageProps {
  readonly isFull: boolean;
  readonly onFiles: (files: readonly FolderFile[]) => void;
  readonly onAskReport: () => void;
}

/** Where files come in: dropped anywhere on the step, or chosen here. */
export const AddFootage = memo(function AddFootage({ isFull, onFiles, onAskReport }: AddFootageProps) {
  const files = useRef<HTMLInputElement>(null);
  const folder = useRef<HTMLInputElement>(null);
  const take = async (event: ChangeEvent<HTMLInputElement>) => {
    const input = event.target;
    const chosen = await listFiles(event.nativeEvent);
    input.value = '';
    onFiles(chosen);
  };
  return (
    <Zone data-full={isFull || undefined}>
      <input
        ref={files}
        type="file"
        accept="video/*,image/*,audio/*,.mkv,.mts,.m2ts,.mov,.avi,.mxf"
        multiple
        hidden
        aria-label="Choose video files"
        onChange={take}
      />
      <input
        ref={(element) => {
          folder.current = element;
          element?.setAttribute('webkitdirectory', '');
        }}
        type="file"
        hidden
        aria-label="Choose a folder of footage"
        onChange={take}
      />
      <Row>
        <p>
          {isFull
            ? 'Drop more files or folders anywhere on this page.'
            : 'Drop the clips of this project anywhere on this page, or whole folders: MP4, MOV, MKV, WebM or TS, stills and sounds.'}
        </p>
        <Button variant={isFull ? 'plain' : 'primary'} onPress={() => files.current?.click()}>
          <FilePlus2 size={18} aria-hidden="true" /> Choose files
        </Button>
        <Button onPress={() => folder.current?.click()}>
          <FolderPlus size={18} aria-hidden="true" /> Choose a folder
        </Button>
        <Button variant="quiet" onPress={onAskReport}>
          <FileText size={18} aria-hidden="true" /> Add a report
        </Button>
      </Row>
    </Zone>
  );
});
