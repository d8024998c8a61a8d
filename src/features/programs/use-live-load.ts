'use client';

import { useEffect, useRef, useState } from 'react';
import type { SampledPrograms } from '@/core/programs';

/** As often as the helper takes a sample. */
const everyMs = 2000;

/** Looks again and again while it is on; what was seen last stays when it is paused. */
export function useLiveLoad(sample: () => Promise<SampledPrograms | null>, isOn: boolean): SampledPrograms | null {
  const [newest, setNewest] = useState<SampledPrograms | null>(null);
  const latestSample = useRef(sample);
  latestSample.current = sample;
  useEffect(() => {
    if (!isOn) return;
    let timer: ReturnType<typeof setTimeout> | undefined;
    let isCurrent = true;
    const again = async () => {
      const seen = await latestSample.current();
      if (!isCurrent) return;
      if (seen) setNewest(seen);
      // One after the other: a slow answer is not asked for twice.
      timer = setTimeout(again, everyMs);
    };
    again();
    return () => {
      isCurrent = false;
      clearTimeout(timer);
    };
  }, [isOn]);
  return newest;
}
