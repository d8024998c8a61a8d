'use client';

import { Check, Copy } from 'lucide-react';
import { useState } from 'react';
import styled from 'styled-components';
import { Button } from './Button';
import { colour, font } from './tokens';

const Box = styled.div`
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 10px;
  align-items: start;
  padding: 8px 8px 8px 12px;
  background: ${colour.inset};
  border-radius: 4px;
  code { align-self: center; font: 13.5px/1.45 ${font.mono}; overflow-wrap: anywhere; user-select: all; }
  > small { grid-column: 1 / -1; font-size: 14px; }
`;

interface CommandLineProps {
  readonly command: string;
  /** What it is for, where several stand together. */
  readonly of?: string;
}

/** A command to take to a terminal, with a press that copies it. */
export function CommandLine({ command, of }: CommandLineProps) {
  const [outcome, setOutcome] = useState<{ readonly of: string; readonly isCopied: boolean } | null>(null);
  const isCopied = outcome?.of === command && outcome.isCopied;
  const copy = async () => {
    const copied = await navigator.clipboard.writeText(command).then(
      () => true,
      // A browser may not let a page copy: the command is still there to be marked.
      () => false,
    );
    setOutcome({ of: command, isCopied: copied });
  };
  const Icon = isCopied ? Check : Copy;
  return (
    <Box>
      <code>{command}</code>
      <Button aria-label={of === undefined ? undefined : `Copy for ${of}`} onPress={copy}>
        <Icon size={16} aria-hidden="true" /> {isCopied ? 'Copied' : 'Copy'}
      </Button>
      <small role="status">
        {outcome?.of === command &&
          !outcome.isCopied &&
          'The browser does not let Oil Can copy. Press the command once to mark it, then copy it yourself.'}
      </small>
    </Box>
  );
}
