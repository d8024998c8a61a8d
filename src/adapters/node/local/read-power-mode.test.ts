import { describe, expect, it } from 'vitest';
import { powerModeOf } from './read-power-mode';

describe('powerModeOf', () => {
  it('knows Windows’ own plans in every language, and no other', () => {
    const plan = (id: string, name: string) => powerModeOf('win32', `GUID des Energieschemas: ${id}  (${name})`);
    expect(plan('a1841308-3541-4fab-bc81-f71556f20b4a', 'Energiesparmodus')).toBe('saving');
    expect(plan('381B4222-F694-41F0-9685-FF5BB260DF2E', 'Ausbalanciert')).toBe('balanced');
    expect(plan('8c5e7fda-e8bf-4a96-9a85-a6e23a8c635c', 'Höchstleistung')).toBe('full');
    expect(plan('00000000-1111-2222-3333-444444444444', 'Vom Hersteller')).toBeNull();
    expect(powerModeOf('win32', '')).toBeNull();
  });

  it('reads the kernel’s profile on Linux', () => {
    expect(
      ['low-power\n', 'balanced\n', 'performance\n', 'custom\n'].map((text) => powerModeOf('linux', text)),
    ).toEqual(['saving', 'balanced', 'full', null]);
  });

  it('reads whether macOS saves power, under both names', () => {
    const said = (row: string) =>
      powerModeOf('darwin', `System-wide power settings:\nCurrently in use:\n${row}\n sleep 1\n`);
    expect(said(' lowpowermode         1')).toBe('saving');
    expect(said(' powermode            0')).toBe('full');
    expect(said(' standby              1')).toBeNull();
  });
});
