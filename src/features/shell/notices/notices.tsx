'use client';

import { X } from 'lucide-react';
import { createContext, type ReactNode, useCallback, useContext, useEffect, useMemo, useReducer, useRef } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { colour } from '@/ui/tokens';
import { type Notice, nextLeavingMs, noNotices, type ShownNotice, stepNotices } from './notices-state';

const NoticesContext = createContext<(notice: Notice) => void>(() => undefined);

/** Shows a notice beside those that are there; it leaves by itself, or stays where something went wrong. */
export const useNotify = (): ((notice: Notice) => void) => useContext(NoticesContext);

const Region = styled.div`
  position: fixed;
  z-index: 20;
  left: 50%;
  bottom: 20px;
  transform: translateX(-50%);
  display: grid;
  gap: 8px;
  width: min(640px, calc(100vw - 32px));
  @media print { display: none; }
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

/** The foot of every page gets as much more room as the notices take, so that whatever they lie over can be scrolled free. */
function useRoomBelow(region: { readonly current: HTMLElement | null }): void {
  useEffect(() => {
    const element = region.current;
    if (!element) return;
    const observer = new ResizeObserver(() => {
      const px = element.childElementCount > 0 ? element.offsetHeight + 28 : 0;
      document.documentElement.style.setProperty('--notices-height', `${px}px`);
    });
    observer.observe(element);
    return () => observer.disconnect();
  }, [region]);
}

/** Holds all notices at the lower edge, announced to assistive technology, the newest nearest to it. */
export function NoticesProvider({ children }: { readonly children: ReactNode }) {
  const [state, dispatch] = useReducer(stepNotices, noNotices);
  const region = useRef<HTMLDivElement>(null);
  useRoomBelow(region);
  const notify = useCallback((notice: Notice) => dispatch({ type: 'told', notice, nowMs: Date.now() }), []);
  const leavingMs = nextLeavingMs(state);
  useEffect(() => {
    if (leavingMs === null) return;
    const timer = setTimeout(
      () => dispatch({ type: 'time', nowMs: Date.now() }),
      Math.max(0, leavingMs - Date.now()) + 20,
    );
    return () => clearTimeout(timer);
  }, [leavingMs]);
  const slips = useMemo(() => {
    const show = ({ id, notice }: ShownNotice) => {
      const hold = () => dispatch({ type: 'held', id });
      const letGo = () => dispatch({ type: 'let-go', id, nowMs: Date.now() });
      return (
        <Slip
          key={id}
          data-kind={notice.kind}
          onPointerEnter={hold}
          onPointerLeave={letGo}
          onFocus={hold}
          onBlur={letGo}
        >
          <span>{notice.text}</span>
          {notice.action && (
            <Button
              onPress={() => {
                notice.action?.run();
                dispatch({ type: 'dismissed', id });
              }}
            >
              {notice.action.label}
            </Button>
          )}
          <Button variant="quiet" aria-label="Dismiss" onPress={() => dispatch({ type: 'dismissed', id })}>
            <X size={18} aria-hidden="true" />
          </Button>
        </Slip>
      );
    };
    return state.shown.map(show);
  }, [state.shown]);
  return (
    <NoticesContext.Provider value={notify}>
      {children}
      <Region role="status" ref={region}>
        {slips}
      </Region>
    </NoticesContext.Provider>
  );
}
