'use client';

import type { ReactNode } from 'react';
import { Dialog, Heading, Modal, ModalOverlay } from 'react-aria-components';
import styled from 'styled-components';
import { colour } from './tokens';

const Overlay = styled(ModalOverlay)`
  position: fixed;
  inset: 0;
  z-index: 40;
  display: grid;
  place-items: center;
  padding: 16px;
  background: rgb(0 0 0 / 0.45);
`;
const Box = styled(Dialog)<{ readonly $widthPx: number }>`
  width: min(${({ $widthPx }) => $widthPx}px, calc(100vw - 32px));
  max-height: calc(100vh - 32px);
  overflow: auto;
  padding: 20px 24px;
  background: ${colour.card};
  border: 1px solid ${colour.edge};
  border-radius: 8px;
  outline: none;
  > h2 { font-size: 20px; margin-bottom: 12px; }
`;

interface DialogBoxProps {
  readonly title: string;
  readonly widthPx?: number;
  readonly onClose: () => void;
  readonly children: ReactNode;
}

/** A dialog in the middle of the page. Escape and a press beside it close it. */
export function DialogBox({ title, widthPx = 480, onClose, children }: DialogBoxProps) {
  return (
    <Overlay isOpen isDismissable onOpenChange={(isOpen) => !isOpen && onClose()}>
      <Modal>
        <Box $widthPx={widthPx}>
          <Heading slot="title">{title}</Heading>
          {children}
        </Box>
      </Modal>
    </Overlay>
  );
}
