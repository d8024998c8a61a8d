'use client';

import { useEffect, useState } from 'react';
import styled from 'styled-components';
import type { PictureRegion } from '@/core/meter';
import { colour } from '@/ui/tokens';

const Frame = styled.div`
  position: relative;
  width: fit-content;
  max-width: 100%;
  margin: 0 0 12px;
  border: 1px solid ${colour.line};
  background: ${colour.inset};
  line-height: 0;
  video { display: block; max-width: 100%; max-height: 300px; }
`;
const Part = styled.div`
  position: absolute;
  border: 3px dashed ${colour.oil};
  outline: 1px solid ${colour.ink};
  pointer-events: none;
`;

/** The recording, to look at, with the part that is measured marked on it. */
export function RecordingView({
  file,
  part,
  size,
}: {
  readonly file: File;
  readonly part: PictureRegion | null;
  readonly size: { readonly widthPx: number; readonly heightPx: number } | null;
}) {
  const [url, setUrl] = useState<string | null>(null);
  useEffect(() => {
    const made = URL.createObjectURL(file);
    setUrl(made);
    return () => URL.revokeObjectURL(made);
  }, [file]);
  const percent = (value: number, whole: number): string => `${(100 * value) / whole}%`;
  return (
    <Frame>
      {url && <video src={url} muted controls preload="metadata" aria-label={`The recording ${file.name}`} />}
      {part && size && size.widthPx > 0 && (
        <Part
          role="img"
          aria-label="The part that is measured"
          style={{
            left: percent(part.xPx, size.widthPx),
            top: percent(part.yPx, size.heightPx),
            width: percent(part.widthPx, size.widthPx),
            height: percent(part.heightPx, size.heightPx),
          }}
        />
      )}
    </Frame>
  );
}
