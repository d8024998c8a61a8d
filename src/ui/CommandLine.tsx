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
  code { align-self: center; font-family: ${font.mono}; font-size: 13.5px; overflow-wrap: anywhere; }
`;

/** A command to take to a terminal, with a press that copies it. */
export function CommandLine({ command }: { readonly command: string }) {
  const [copied, setCopied] = useState<string | null>(null);
  const isCopied = copied === command;
  const copy = async () => {
    try {
      await navigator.clipboard.writeText(command);
      setCopied(command);
    } catch {
      // Where the browser does not let a page copy, the command is still there to be selected.
      setCopied(null);
    }
  };
  return (
    <Box>
      <code>{command}</code>
      <Button onPress={copy}>
        {isCopied ? <Check size={16} aria-hidden="true" /> : <Copy size={16} aria-hidden="true" />}
        {isCopied ? 'Copied' : 'Copy'}
      </Button>
    </Box>
  );
}
