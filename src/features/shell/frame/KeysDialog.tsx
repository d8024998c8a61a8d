'use client';

import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { DialogBox } from '@/ui/DialogBox';
import { colour, font } from '@/ui/tokens';

const List = styled.dl`
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 8px 16px;
  margin-bottom: 18px;
  align-items: baseline;
  > div { display: contents; }
  kbd { font: 14px ${font.mono}; padding: 2px 7px; border: 1px solid ${colour.edge}; border-radius: 4px; background: ${colour.inset}; }
`;

const keys = [
  ['?', 'this list'],
  ['1 … 8', 'go to a step of the card'],
  ['0', 'go to the job cards'],
  ['Tab', 'to the next control; arrow keys move inside one'],
  ['Esc', 'close, or give a field its old text back'],
] as const;

/** The list of keys, as a dialog. */
export default function KeysDialog({ onClose }: { readonly onClose: () => void }) {
  return (
    <DialogBox title="Keys" onClose={onClose}>
      <List>
        {keys.map(([key, what]) => (
          <div key={key}>
            <dt>
              <kbd>{key}</kbd>
            </dt>
            <dd>{what}</dd>
          </div>
        ))}
      </List>
      <Button onPress={onClose}>Close</Button>
    </DialogBox>
  );
}
