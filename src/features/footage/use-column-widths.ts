'use client';

import { functionalUpdate, type Updater } from '@tanstack/react-table';
import { useCallback, useEffect, useState } from 'react';
import { type ColumnWidths, readColumnWidths, storeColumnWidths } from '@/adapters/browser/preferences';

/** Widths are stored this long after the last change: dragging changes them at every step. */
const storeAfterMs = 400;

/** The clip table's column widths, remembered in this browser. */
export function useColumnWidths() {
  const [widths, setWidths] = useState<ColumnWidths>({});
  const [isChanged, setIsChanged] = useState(false);
  useEffect(() => {
    let isCurrent = true;
    readColumnWidths('clips').then((stored) => {
      if (isCurrent) setWidths((now) => ({ ...stored, ...now }));
    });
    return () => {
      isCurrent = false;
    };
  }, []);
  useEffect(() => {
    if (!isChanged) return;
    const timer = setTimeout(() => storeColumnWidths('clips', widths), storeAfterMs);
    return () => clearTimeout(timer);
  }, [widths, isChanged]);
  const change = useCallback((updater: Updater<Record<string, number>>) => {
    setIsChanged(true);
    setWidths((now) => functionalUpdate(updater, { ...now }));
  }, []);
  return { widths, change };
}
