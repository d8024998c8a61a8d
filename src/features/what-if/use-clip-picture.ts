'use client';

import { useEffect, useState } from 'react';
import { startGrab } from '@/workers/frame.client';
import { findFile } from '../footage/session-files';
import { useOpenCard } from '../shell/card/use-open-card';

/** A picture from the middle of the longest clip whose file is at hand and that this browser decodes; null without one. */
export function useClipPicture(): ImageBitmap | null {
  const { card } = useOpenCard();
  const [picture, setPicture] = useState<ImageBitmap | null>(null);
  const { clips } = card;
  useEffect(() => {
    const found = clips
      .flatMap(({ id, facts }) => {
        const file = facts.kind === 'video' ? findFile(id) : null;
        return facts.kind === 'video' && file ? [{ facts, file }] : [];
      })
      .toSorted((a, b) => b.facts.durationMs - a.facts.durationMs)[0];
    if (!found) return;
    const job = startGrab(found.file, found.facts, 0.5, null);
    let isGone = false;
    job.outcome.then((outcome) => {
      // Where it cannot be decoded the drawn chart stays.
      if (outcome.ok && !isGone) setPicture(outcome.value.original);
    });
    return () => {
      isGone = true;
      job.stop();
    };
  }, [clips]);
  return picture;
}
