'use client';

import { useEffect, useRef, useState } from 'react';
import styled from 'styled-components';
import type { PictureRegion } from '@/core/meter';
import { colour } from '@/ui/tokens';
import { RegionPicker } from './RegionPicker';

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

/** Height that browsers give a recording's controls. */
const controlsPx = 44;

interface MeasuredViewProps {
  /** A recording, or the window that is shared now. */
  readonly source: File | MediaStream;
  readonly label: string;
  readonly region: PictureRegion | null;
  readonly size: { readonly widthPx: number; readonly heightPx: number } | null;
  readonly onRegion: (region: PictureRegion) => void;
}

/** What is measured, to look at, with its region marked on it. */
export function MeasuredView({ source, label, region, size, onRegion }: MeasuredViewProps) {
  const video = useRef<HTMLVideoElement>(null);
  const [seen, setSeen] = useState<MeasuredViewProps['size']>(null);
  useEffect(() => {
    const element = video.current;
    if (!element) return;
    if (source instanceof MediaStream) {
      element.srcObject = source;
      return () => {
        element.srcObject = null;
      };
    }
    const url = URL.createObjectURL(source);
    element.src = url;
    return () => URL.revokeObjectURL(url);
  }, [source]);
  const isLive = source instanceof MediaStream;
  const drawnOn = size && size.widthPx > 0 ? size : seen;
  return (
    <Frame>
      <video
        ref={video}
        muted
        controls={!isLive}
        autoPlay={isLive}
        preload="metadata"
        aria-label={label}
        onLoadedMetadata={({ currentTarget }) =>
          setSeen({ widthPx: currentTarget.videoWidth, heightPx: currentTarget.videoHeight })
        }
      />
      {drawnOn && drawnOn.widthPx > 0 && (
        <RegionPicker region={region} size={drawnOn} spareBelowPx={isLive ? 0 : controlsPx} onChange={onRegion} />
      )}
    </Frame>
  );
}
