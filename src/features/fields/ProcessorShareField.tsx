'use client';

import { coresOfPercent, type ProgramPercent, percentOfCores } from '@/core/machine';
import { describeCoreShare } from '@/messages/machine';
import { NumberField } from './NumberField';

interface ProcessorShareFieldProps {
  readonly label: string;
  /** What 100 % stands for in the monitor that is read. */
  readonly percentOf: ProgramPercent;
  readonly coreCount: number;
  /** Cores kept busy; null where nobody looked. */
  readonly busyCores: number | null;
  readonly onChange: (busyCores: number | null) => void;
}

/** A processor's share as the system's monitor shows it, with the other way of counting below. */
export function ProcessorShareField({ label, percentOf, coreCount, busyCores, onChange }: ProcessorShareFieldProps) {
  return (
    <NumberField
      label={label}
      unit={percentOf === 'one-core' ? '% of one core' : '% of all cores'}
      minValue={0}
      maxValue={percentOf === 'one-core' ? 100 * coreCount : 100}
      fractionDigits={1}
      value={busyCores === null ? null : percentOfCores(busyCores, percentOf, coreCount)}
      onChange={(percent) => onChange(percent === null ? null : coresOfPercent(percent, percentOf, coreCount))}
      help={busyCores === null ? undefined : describeCoreShare(busyCores, percentOf, coreCount)}
    />
  );
}
