'use client';

import { X } from 'lucide-react';
import type { ReactNode } from 'react';
import { Dialog, Heading, Modal, ModalOverlay } from 'react-aria-components';
import styled from 'styled-components';
import { Button } from './Button';
import { colour } from './tokens';

const Overlay = styled(ModalOverlay)`
  position: fixed;
  inset: 0;
  z-index: 30;
  display: flex;
  justify-content: flex-end;
  background: rgb(0 0 0 / 0.38);
`;
const Frame = styled(Modal)`
  width: min(520px, 100vw);
  height: 100%;
`;
const Box = styled(Dialog)`
  height: 100%;
  overflow: auto;
  padding: 0 22px 32px;
  background: ${colour.paper};
  border-left: 1px solid ${colour.edge};
  outline: none;
  /* What is scrolled to stops below the head, which stays. */
  section { scroll-margin-top: 76px; }
`;
const Head = styled.div`
  position: sticky;
  top: 0;
  z-index: 1;
  display: flex;
  align-items: flex-start;
  gap: 10px;
  padding: 16px 0 10px;
  background: ${colour.paper};
  h2 { flex: 1; min-width: 0; padding-top: 5px; font-size: 20px; overflow-wrap: anywhere; }
`;

interface SidePanelProps {
  readonly title: string;
  /** Controls beside the title, before the closing one. */
  readonly actions?: ReactNode;
  readonly onClose: () => void;
  readonly children: ReactNode;
}

/** A sheet that comes in from the right over the page, for one thing out of a list. Escape closes it. */
export function SidePanel({ title, actions, onClose, children }: SidePanelProps) {
  return (
    <Overlay isOpen isDismissable onOpenChange={(isOpen) => !isOpen && onClose()}>
      <Frame>
        <Box>
          <Head>
            <Heading slot="title">{title}</Heading>
            {actions}
            <Button variant="quiet" aria-label="Close" onPress={onClose}>
              <X size={20} aria-hidden="true" />
            </Button>
          </Head>
          {children}
        </Box>
      </Frame>
    </Overlay>
  );
}
