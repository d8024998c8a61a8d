'use client';

import { CircleAlert, CircleCheck, Info } from 'lucide-react';
import type { ReactNode } from 'react';
import styled from 'styled-components';
import { colour } from './tokens';

const Box = styled.div`
  display: grid;
  grid-template-columns: 20px 1fr;
  gap: 10px;
  padding: 10px 14px;
  margin-bottom: 12px;
  border: 1px solid ${colour.line};
  border-left: 4px solid ${colour.note};
  border-radius: 4px;
  background: ${colour.card};
  @media print { background: none; }
  li { overflow-wrap: anywhere; }
  svg { margin-top: 2px; color: ${colour.note}; }
  &[data-kind='alarm'] { border-left-color: ${colour.alarm}; svg { color: ${colour.alarm}; } }
  &[data-kind='good'] { border-left-color: ${colour.good}; svg { color: ${colour.good}; } }
`;

const icons = { info: Info, alarm: CircleAlert, good: CircleCheck } as const;

interface NoteProps {
  readonly kind?: keyof typeof icons;
  readonly children: ReactNode;
}

/** A note that stays until read: an icon and an edge go with its colour. Alarms are announced. */
export function Note({ kind = 'info', children }: NoteProps) {
  const Icon = icons[kind];
  return (
    <Box data-kind={kind} role={kind === 'alarm' ? 'alert' : undefined}>
      <Icon size={20} aria-hidden="true" />
      <div>{children}</div>
    </Box>
  );
}
