'use client';

import styled from 'styled-components';
import type { Switch } from '@/core/diagnose';
import { describeSwitch } from '@/messages/working';

const List = styled.ol`
  margin: 2px 0 0;
  padding-left: 20px;
  list-style: decimal;
  font-size: 15px;
`;

/** What to set in the editor, in a few words each. */
export function SwitchList({ switches, label }: { readonly switches: readonly Switch[]; readonly label: string }) {
  if (switches.length === 0) return <p>Nothing to switch.</p>;
  return (
    <List aria-label={label}>
      {switches.map(({ fix, isOn }) => (
        <li key={`${fix.id} ${isOn}`}>{describeSwitch(fix, isOn)}</li>
      ))}
    </List>
  );
}
