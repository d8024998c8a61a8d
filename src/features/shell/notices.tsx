'use client';

import { X } from 'lucide-react';
import { createContext, type ReactNode, useCallback, useContext, useMemo, useState } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { colour } from '@/ui/tokens';

export interface Notice {
  readonly kind: 'info' | 'alarm';
  readonly text: string;
  /** What the button beside the text does, if there is one. */
  readonly action?: { readonly label: string; readonly run: () => void };
}

const NoticesContext = createContext<(notice: Notice) => void>(() => undefined);

/** Shows a notice until it is dismissed or the next one comes. */
export const useNotify = (): ((notice: Notice) => void) => useContext(NoticesContext);

const Region = styled.div`
  position: fixed;
  z-index: 20;
  left: 50%;
  bottom: 20px;
  transform: translateX(-50%);
  width: min(640px, calc(100vw - 32px));
`;
const Slip = styled.div`
  display: flex;
  align-items: center;
  gap: 8px;
  padding: 8px 8px 8px 16px;
  background: ${colour.card};
  border: 1px solid ${colour.edge};
  border-left: 4px solid ${colour.enamel};
  border-radius: 4px;
  box-shadow: 0 8px 28px rgb(0 0 0 / 0.25);
  > span { flex: 1; }
  &[data-kind='alarm'] { border-left-color: ${colour.alarm}; }
`;

/** Holds the newest notice at the lower edge, announced to assistive technology. */
export function NoticesProvider({ children }: { readonly children: ReactNode }) {
  const [notice, setNotice] = useState<Notice | null>(null);
  const notify = useCallback((next: Notice) => setNotice(next), []);
  const region = useMemo(
    () => (
      <Region role="status">
        {notice && (
          <Slip data-kind={notice.kind}>
            <span>{notice.text}</span>
            {notice.action && (
              <Button
                onPress={() => {
                  notice.action?.run();
                  setNotice(null);
                }}
              >
                {notice.action.label}
              </Button>
            )}
            <Button look="quiet" aria-label="Dismiss" onPress={() => setNotice(null)}>
              <X size={18} aria-hidden="true" />
            </Button>
          </Slip>
        )}
      </Region>
    ),
    [notice],
  );
  return (
    <NoticesContext.Provider value={notify}>
      {children}
      {region}
    </NoticesContext.Provider>
  );
}
