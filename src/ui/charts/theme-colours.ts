'use client';

import { useEffect, useState } from 'react';

import { font } from '../tokens';

/** The application's own type; a canvas takes it only when told. */
export const chartFont = { family: font.text, size: 13 };

interface ChartColours {
  readonly ink: string;
  readonly line: string;
  readonly enamel: string;
  readonly good: string;
}

function readThemeColours(): ChartColours {
  const style = getComputedStyle(document.documentElement);
  const value = (name: string): string => style.getPropertyValue(name).trim();
  return { ink: value('--inkSoft'), line: value('--line'), enamel: value('--enamel'), good: value('--good') };
}

/** Chart.js draws on a canvas and cannot follow custom properties by itself, so they are read when the theme changes. */
export function useThemeColours(): ChartColours {
  const [colours, setColours] = useState(readThemeColours);
  useEffect(() => {
    const refresh = () => setColours(readThemeColours());
    const observer = new MutationObserver(refresh);
    observer.observe(document.documentElement, { attributeFilter: ['data-theme'] });
    const media = matchMedia('(prefers-color-scheme: dark)');
    media.addEventListener('change', refresh);
    return () => {
      observer.disconnect();
      media.removeEventListener('change', refresh);
    };
  }, []);
  return colours;
}
