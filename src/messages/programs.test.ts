import { describe, expect, it } from 'vitest';
import { programRoles } from '@/core/programs';
import {
  describeCover,
  describeDriveUse,
  describeFreed,
  describeGain,
  describeListFailure,
  describeProgramCourse,
  describeResume,
  listCommands,
  roleTexts,
} from './programs';

describe('what is said of programs', () => {
  it('has words and something to do for each role', () => {
    for (const role of programRoles) expect([role, roleTexts[role].what.length > 10]).toEqual([role, true]);
    expect(new Set(programRoles.map((role) => roleTexts[role].label)).size).toBe(programRoles.length);
  });

  it('has a word for bursts and for what rises or falls, and none where nothing stands out', () => {
    const said = (busyCores: number, peakCores: number | null, changeCores: number | null) =>
      describeProgramCourse({ busyCores, peakCores, changeCores }, 'one-core', 4);
    expect([said(0.5, 0.55, 0.02), said(0.02, 0.1, 0.05), said(0.3, null, null)]).toEqual([null, null, null]);
    expect(said(0.4, 1.5, 0.05)).toBe('bursts of 150 %');
    expect(said(0.4, 1.5, -0.4)).toBe('bursts of 150 %, falling');
    expect(said(1, 1.2, 0.5)).toBe('rising');
    expect(describeProgramCourse({ busyCores: 0.4, peakCores: 2, changeCores: 0 }, 'all-cores', 4)).toBe(
      'bursts of 50 %',
    );
    expect([0.4, null, 12.34].map((driveMegabytePerSec) => describeDriveUse({ driveMegabytePerSec }))).toEqual([
      null,
      null,
      'drives: 12.3 MB a second',
    ]);
  });

  it('states what came free, and calls nothing nothing', () => {
    expect([describeFreed(3.14, 1530), describeFreed(1, 90), describeFreed(0.01, 2048)]).toEqual([
      '3.1 cores and 1.5 GB',
      '1 core and 90 MB',
      'next to no core and 2 GB',
    ]);
    expect([describeGain(-0.3), describeGain(0.1), describeGain(2.14)]).toEqual([
      'nothing',
      'nothing',
      'about 2.1 more',
    ]);
  });

  it('says over which time it was seen, and when a list does not say it', () => {
    expect(describeCover(14.2, 'just now')).toBe('over 14 seconds, just now');
    expect(describeCover(0.7, 'just now')).toBe('over 1 second, just now');
    expect(describeCover(null, '2 minutes ago')).toContain('does not say how busy');
  });

  it('gives a command for each system whose list is read back, and an answer to each failure', () => {
    expect(listCommands.windows.command).toMatch(/ProcessName,CPU,WorkingSet64.*At/);
    expect(listCommands.macos.command).toMatch(/pid,ppid,pcpu,rss,time,comm/);
    expect(listCommands.linux.command).toMatch(/date \+@%s%3N; ps -eo pid,ppid,rss,cputimes,comm/);
    for (const code of ['list-empty', 'list-unknown', 'list-without-processes'] as const)
      expect(describeListFailure({ code })).toMatch(/command/);
    expect(describeListFailure({ code: 'list-too-large', mostMegabytes: 20 })).toContain('20 MB');
    expect(describeResume(['Loft sync', 'Hedgehog scan'])).toBe('Resume what was paused: Loft sync, Hedgehog scan');
  });
});
