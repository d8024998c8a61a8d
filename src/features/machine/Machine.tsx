'use client';

import { useEffect } from 'react';
import { readBrowserMachine } from '@/adapters/browser/machine-probe';
import type { CardMachine } from '@/core/card';
import {
  driveKinds,
  type Fact,
  graphicsKinds,
  type KnownState,
  knownStates,
  powerModes,
  speedClasses,
} from '@/core/machine';
import { driveTexts, graphicsTexts, knownStateTexts, powerModeTexts, speedClassTexts } from '@/messages/machine';
import { Disclosure } from '@/ui/Disclosure';
import { FieldGrid } from '@/ui/layout';
import { NumberField } from '@/ui/NumberField';
import { SegmentedField } from '@/ui/SegmentedField';
import { SelectField } from '@/ui/SelectField';
import { Sheet } from '@/ui/Sheet';
import { StepPage } from '../shell/StepPage';
import { useOpenCard } from '../shell/use-open-card';
import { FactLabel } from './FactLabel';
import { MeasuredDecoding } from './MeasuredDecoding';
import { Programs } from './Programs';

const typed = <T,>(value: T): Fact<T> => ({ value, source: 'typed' });

/** What the machine is: found out where the browser can, typed where not; each fact with its source. */
export function Machine() {
  const { card, run } = useOpenCard();
  const { machine } = card;
  const hasAssumed = Object.values(machine).some((fact) => fact.source === 'assumed');
  useEffect(() => {
    if (!hasAssumed) return;
    let isCurrent = true;
    readBrowserMachine().then((facts) => {
      if (isCurrent && Object.keys(facts).length > 0) run({ type: 'fillMachine', input: { facts } });
    });
    return () => {
      isCurrent = false;
    };
  }, [hasAssumed, run]);
  const set = (facts: Partial<CardMachine>) => run({ type: 'setMachine', input: { facts } });

  return (
    <StepPage stepId="machine">
      <Sheet title="The computer that lags" aside="Each fact says where it comes from.">
        <FieldGrid $leastPx={230}>
          <NumberField
            label={<FactLabel source={machine.coreCount.source}>Processor cores</FactLabel>}
            minValue={1}
            maxValue={256}
            value={machine.coreCount.value}
            onChange={(value) => value !== null && set({ coreCount: typed(value) })}
          />
          <NumberField
            label={<FactLabel source={machine.memoryMib.source}>Memory</FactLabel>}
            unit="GB"
            minValue={0.5}
            maxValue={4096}
            fractionDigits={1}
            value={machine.memoryMib.value / 1024}
            onChange={(value) => value !== null && set({ memoryMib: typed(Math.round(value * 1024)) })}
          />
          <SelectField
            label={<FactLabel source={machine.speedClass.source}>Processor speed</FactLabel>}
            value={machine.speedClass.value}
            options={speedClasses.map(({ id }) => ({
              value: id,
              ...speedClassTexts[id],
            }))}
            onChange={(value) => set({ speedClass: typed(value) })}
          />
          <SelectField
            label={<FactLabel source={machine.graphics.source}>Graphics</FactLabel>}
            value={machine.graphics.value}
            options={graphicsKinds.map(({ id }) => ({
              value: id,
              ...graphicsTexts[id],
            }))}
            onChange={(value) => set({ graphics: typed(value) })}
          />
          <NumberField
            label={<FactLabel source={machine.graphicsYear.source}>Bought, or graphics from</FactLabel>}
            unit="year"
            minValue={1995}
            maxValue={2100}
            value={machine.graphicsYear.value}
            onChange={(value) => value !== null && set({ graphicsYear: typed(value) })}
          />
          <SelectField
            label={<FactLabel source={machine.footageDrive.source}>The footage lies on</FactLabel>}
            value={machine.footageDrive.value}
            options={driveKinds.map(({ id }) => ({ value: id, label: driveTexts[id] }))}
            onChange={(value) => set({ footageDrive: typed(value) })}
          />
          <SegmentedField
            label={<FactLabel source={machine.powerMode.source}>Power mode</FactLabel>}
            value={machine.powerMode.value}
            options={powerModes.map(({ id }) => ({ value: id, label: powerModeTexts[id] }))}
            onChange={(value) => set({ powerMode: typed(value) })}
          />
          <SegmentedField<KnownState>
            label={<FactLabel source={machine.isPluggedIn.source}>Plugged in</FactLabel>}
            value={machine.isPluggedIn.value}
            options={knownStates.map((value) => ({ value, label: knownStateTexts[value] }))}
            onChange={(value) => set({ isPluggedIn: typed(value) })}
          />
          <NumberField
            label={<FactLabel source={machine.systemDriveFreePercent.source}>Free on the system’s drive</FactLabel>}
            unit="%"
            minValue={0}
            maxValue={100}
            fractionDigits={1}
            value={machine.systemDriveFreePercent.value}
            onChange={(value) => value !== null && set({ systemDriveFreePercent: typed(value) })}
          />
          <SelectField
            label={<FactLabel source={machine.cacheDrive.source}>The editor’s cache lies on</FactLabel>}
            value={machine.cacheDrive.value}
            options={driveKinds.map(({ id }) => ({ value: id, label: driveTexts[id] }))}
            onChange={(value) => set({ cacheDrive: typed(value) })}
          />
          {machine.graphics.value !== 'none' && (
            <NumberField
              label={<FactLabel source={machine.graphicsMemoryMib.source}>Graphics memory</FactLabel>}
              unit="GB"
              minValue={0}
              maxValue={4096}
              fractionDigits={1}
              value={machine.graphicsMemoryMib.value / 1024}
              onChange={(value) => value !== null && set({ graphicsMemoryMib: typed(Math.round(value * 1024)) })}
            />
          )}
          {machine.graphics.value === 'separate' && (
            <SegmentedField<KnownState>
              label={<FactLabel source={machine.hasSecondGraphics.source}>It has slower graphics as well</FactLabel>}
              value={machine.hasSecondGraphics.value}
              options={knownStates.map((value) => ({ value, label: knownStateTexts[value] }))}
              onChange={(value) => set({ hasSecondGraphics: typed(value) })}
            />
          )}
          <SegmentedField<KnownState>
            label={<FactLabel source={machine.isThin.source}>It gets hot under load</FactLabel>}
            value={machine.isThin.value}
            options={knownStates.map((value) => ({ value, label: knownStateTexts[value] }))}
            onChange={(value) => set({ isThin: typed(value) })}
          />
        </FieldGrid>
        <div style={{ marginTop: 12 }}>
          <Disclosure label="Where do I find these?">
            Windows: Settings, System, About, and the Performance page of Task Manager. macOS: the Apple menu, About
            This Mac. Linux: the system settings, About. If the computer that lags is another one, type its figures over
            what this browser states.
          </Disclosure>
        </div>
      </Sheet>
      <MeasuredDecoding />
      <Programs />
    </StepPage>
  );
}
