'use client';

import { useCallback, useState } from 'react';
import type { SampledPrograms } from '@/core/programs';
import type { MachineSourceFailure } from '@/messages/programs';
import { type MachineSourceKind, useMachineSource } from '../shell/card/use-machine-source';

export interface ProgramSampling {
  readonly at: MachineSourceKind;
  readonly isSampling: boolean;
  readonly failure: MachineSourceFailure | null;
  /** What runs now, or null where it could not be looked at: the failure then stands above. */
  readonly sample: () => Promise<SampledPrograms | null>;
}

/** Looks at what runs: on the practice machine of a demo card, else on this computer where the helper is there. */
export function useProgramSampling(): ProgramSampling {
  const { at, find } = useMachineSource();
  const [isSampling, setSampling] = useState(false);
  const [failure, setFailure] = useState<MachineSourceFailure | null>(null);
  const [sampleCount, setSampleCount] = useState(0);
  const sample = useCallback(async () => {
    setSampling(true);
    setFailure(null);
    setSampleCount((count) => count + 1);
    const source = await find(sampleCount);
    const read = source.ok ? await source.value.readPrograms() : source;
    setSampling(false);
    if (read.ok) return read.value;
    setFailure(read.failure);
    return null;
  }, [find, sampleCount]);
  return { at, isSampling, failure, sample };
}
