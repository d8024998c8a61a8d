'use client';

import { type ReactNode, useEffect } from 'react';
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
import {
  driveTexts,
  graphicsTexts,
  knownStateTexts,
  machineFactNames,
  powerModeTexts,
  speedClassTexts,
} from '@/messages/machine';
import { Disclosure } from '@/ui/Disclosure';
import { FieldGrid, Spaced } from '@/ui/layout';
import { SegmentedField } from '@/ui/SegmentedField';
import { SelectField } from '@/ui/SelectField';
import { Sheet } from '@/ui/Sheet';
import { FactField } from '../fields/FactField';
import { NumberField } from '../fields/NumberField';
import { useOpenCard } from '../shell/card/use-open-card';
import { StepPage } from '../shell/frame/StepPage';
import { BrowserSays } from './BrowserSays';
import { Drives } from './Drives';
import { KnownMachines } from './KnownMachines';
import { Lessons } from './Lessons';
import { MeasuredDecoding } from './MeasuredDecoding';
import { Needs } from './Needs';
import { Programs } from './Programs';
import { ThisComputer } from './ThisComputer';

const typed = <T,>(value: T): Fact<T> => ({ value, source: 'typed' });
const states = knownStates.map((value) => ({ value, label: knownStateTexts[value] }));
const drives = driveKinds.map(({ id }) => ({ value: id, label: driveTexts[id] }));

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
  /** A field of a fact, with its source and the press that confirms a guess. */
  const fact = (key: keyof typeof machineFactNames, field: (name: string) => ReactNode) => {
    const name = machineFactNames[key];
    return (
      <FactField
        source={machine[key].source}
        name={name}
        onConfirm={() => set({ [key]: { ...machine[key], source: 'typed' } })}
      >
        {field(name)}
      </FactField>
    );
  };

  return (
    <StepPage stepId="machine">
      <ThisComputer card={card} />
      <Sheet title="What it is" aside="Each fact says where it comes from.">
        <KnownMachines card={card} />
        <FieldGrid $leastPx={230}>
          {fact('coreCount', (label) => (
            <NumberField
              label={label}
              minValue={1}
              maxValue={256}
              unit="cores"
              canBeEmpty={false}
              value={machine.coreCount.value}
              onChange={(value) => value !== null && set({ coreCount: typed(value) })}
            />
          ))}
          {fact('memoryMib', (label) => (
            <NumberField
              label={label}
              unit="GB"
              minValue={0.5}
              maxValue={4096}
              fractionDigits={1}
              canBeEmpty={false}
              value={machine.memoryMib.value / 1024}
              onChange={(value) => value !== null && set({ memoryMib: typed(Math.round(value * 1024)) })}
            />
          ))}
          {fact('speedClass', (label) => (
            <SelectField
              label={label}
              value={machine.speedClass.value}
              options={speedClasses.map(({ id }) => ({ value: id, ...speedClassTexts[id] }))}
              onChange={(value) => set({ speedClass: typed(value) })}
            />
          ))}
          {fact('graphics', (label) => (
            <SelectField
              label={label}
              value={machine.graphics.value}
              options={graphicsKinds.map(({ id }) => ({ value: id, ...graphicsTexts[id] }))}
              onChange={(value) => set({ graphics: typed(value) })}
            />
          ))}
          {fact('graphicsYear', (label) => (
            <NumberField
              label={label}
              unit="year"
              minValue={1995}
              maxValue={2100}
              canBeEmpty={false}
              value={machine.graphicsYear.value}
              onChange={(value) => value !== null && set({ graphicsYear: typed(value) })}
            />
          ))}
          {fact('powerMode', (label) => (
            <SegmentedField
              label={label}
              value={machine.powerMode.value}
              options={powerModes.map(({ id }) => ({ value: id, label: powerModeTexts[id] }))}
              onChange={(value) => set({ powerMode: typed(value) })}
            />
          ))}
          {fact('isPluggedIn', (label) => (
            <SegmentedField<KnownState>
              label={label}
              value={machine.isPluggedIn.value}
              options={states}
              onChange={(value) => set({ isPluggedIn: typed(value) })}
            />
          ))}
        </FieldGrid>
        <Spaced $abovePx={12}>
          <Disclosure label="Graphics memory, heat, a second set of graphics">
            <FieldGrid $leastPx={230}>
              {machine.graphics.value !== 'none' &&
                fact('graphicsMemoryMib', (label) => (
                  <NumberField
                    label={label}
                    unit="GB"
                    minValue={0}
                    maxValue={4096}
                    fractionDigits={1}
                    canBeEmpty={false}
                    value={machine.graphicsMemoryMib.value / 1024}
                    onChange={(value) => value !== null && set({ graphicsMemoryMib: typed(Math.round(value * 1024)) })}
                  />
                ))}
              {machine.graphics.value === 'separate' &&
                fact('hasSecondGraphics', (label) => (
                  <SegmentedField<KnownState>
                    label={label}
                    value={machine.hasSecondGraphics.value}
                    options={states}
                    onChange={(value) => set({ hasSecondGraphics: typed(value) })}
                  />
                ))}
              {fact('isThin', (label) => (
                <SegmentedField<KnownState>
                  label={label}
                  value={machine.isThin.value}
                  options={states}
                  onChange={(value) => set({ isThin: typed(value) })}
                />
              ))}
            </FieldGrid>
          </Disclosure>
        </Spaced>
        <Spaced $abovePx={12}>
          <BrowserSays />
        </Spaced>
        <Spaced $abovePx={12}>
          <Disclosure label="Where do I find these?">
            Windows: Settings, System, About, and the Performance page of Task Manager. macOS: the Apple menu, About
            This Mac. Linux: the system settings, About. If the computer that lags is another one, type its figures over
            what this browser states.
          </Disclosure>
        </Spaced>
      </Sheet>
      <MeasuredDecoding />
      <Lessons card={card} />
      <Sheet title="Where things lie">
        <FieldGrid $leastPx={230}>
          {fact('footageDrive', (label) => (
            <SelectField
              label={label}
              value={machine.footageDrive.value}
              options={drives}
              onChange={(value) => set({ footageDrive: typed(value) })}
            />
          ))}
          {fact('cacheDrive', (label) => (
            <SelectField
              label={label}
              value={machine.cacheDrive.value}
              options={drives}
              onChange={(value) => set({ cacheDrive: typed(value) })}
            />
          ))}
          {fact('systemDriveFreePercent', (label) => (
            <NumberField
              label={label}
              unit="%"
              minValue={0}
              maxValue={100}
              fractionDigits={1}
              canBeEmpty={false}
              value={machine.systemDriveFreePercent.value}
              onChange={(value) => value !== null && set({ systemDriveFreePercent: typed(value) })}
            />
          ))}
        </FieldGrid>
        <Spaced $abovePx={12}>
          <Drives card={card} />
        </Spaced>
      </Sheet>
      <Programs />
      <Needs card={card} />
    </StepPage>
  );
}
