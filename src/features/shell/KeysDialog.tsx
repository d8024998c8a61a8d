'use client';

import { Dialog, Heading, Modal, ModalOverlay } from 'react-aria-components';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { colour, font } from '@/ui/tokens';

const Overlay = styled(ModalOverlay)`
  position: fixed;
  inset: 0;
  z-index: 30;
  display: grid;
  place-items: center;
  padding: 16px;
  background: rgb(0 0 0 / 0.45);
`;
const Box = styled(Dialog)`
  width: min(480px, calc(100vw - 32px));
  padding: 20px 24px;
  background: ${colour.card};
  border: 1px solid ${colour.edge};
  border-radius: 8px;
  outline: none;
  h2 { font-size: 20px; margin-bottom: 12px; }
  dl { display: grid; grid-template-columns: auto 1fr; gap: 8px 16px; margin-bottom: 18px; align-items: baseline; }
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
    <Overlay isOpen isDismissable onOpenChange={(isOpen) => !isOpen && onClose()}>
      <Modal>
        <Box>
          <Heading slot="title">Keys</Heading>
          <dl>
            {keys.map(([key, what]) => (
              <div key={key} style={{ display: 'contents' }}>
                <dt>
                  <kbd>{key}</kbd>
                </dt>
                <dd>{what}</dd>
              </div>
            ))}
          </dl>
          <Button onPress={onClose}>Close</Button>
        </Box>
      </Modal>
    </Overlay>
  );
}
