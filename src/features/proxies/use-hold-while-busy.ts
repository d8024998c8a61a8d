'use client';

import { useEffect, useRef, useState } from 'react';
import { thisComputer } from '@/adapters/browser/machine-source';
import { newestRows } from '@/core/programs';
import { notHeld, stepBusyHold } from '@/core/proxies';
import { proxySession } from './proxy-session';

const everyMs = 5000;

/** What all but the browser and the system keep busy now, as a share of all cores; null where nobody says. */
async function readOthersShare(): Promise<number | null> {
  const read = await thisComputer.readPrograms();
  if (!read.ok) return null;
  const busyCores = newestRows(read.value)
    .filter(({ role }) => role !== 'browser' && role !== 'system')
    .reduce((sum, row) => sum + (row.busyCores ?? 0), 0);
  return busyCores / read.value.coreCount;
}

/** While it is on, holds the making of proxies as long as other programs work, and says whether it does. */
export function useHoldWhileBusy(isOn: boolean): boolean {
  const [isHeld, setHeld] = useState(false);
  const hold = useRef(notHeld);
  useEffect(() => {
    if (!isOn) return;
    let isGone = false;
    const look = async () => {
      const share = await readOthersShare();
      if (isGone || share === null) return;
      const before = hold.current.isHeld;
      hold.current = stepBusyHold(hold.current, share);
      if (hold.current.isHeld === before) return;
      proxySession.setPaused(hold.current.isHeld);
      setHeld(hold.current.isHeld);
    };
    const timer = setInterval(look, everyMs);
    look();
    return () => {
      isGone = true;
      clearInterval(timer);
      if (hold.current.isHeld) proxySession.setPaused(false);
      hold.current = notHeld;
      setHeld(false);
    };
  }, [isOn]);
  return isHeld;
}
