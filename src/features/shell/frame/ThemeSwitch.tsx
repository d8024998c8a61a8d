'use client';

import { Moon, Sun } from 'lucide-react';
import { useEffect, useState } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import type { ThemeName } from '@/ui/tokens';
import { themeCookieName } from './theme-cookie';

const Word = styled.span`
  @media (max-width: 720px) { display: none; }
`;

const readTheme = (): ThemeName => {
  const chosen = document.documentElement.dataset.theme;
  if (chosen === 'day' || chosen === 'night') return chosen;
  return matchMedia('(prefers-color-scheme: dark)').matches ? 'night' : 'day';
};

/** Day or night; the choice is remembered in a cookie, so that the server sends the right page at once. */
export function ThemeSwitch() {
  const [theme, setTheme] = useState<ThemeName | null>(null);
  useEffect(() => setTheme(readTheme()), []);
  const other = theme === 'night' ? 'day' : 'night';
  const choose = () => {
    document.documentElement.dataset.theme = other;
    // biome-ignore lint/suspicious/noDocumentCookie: the Cookie Store API is not in every browser yet
    document.cookie = `${themeCookieName}=${other}; path=/; max-age=31536000; samesite=strict`;
    setTheme(other);
  };
  const Icon = other === 'night' ? Moon : Sun;
  return (
    <Button onPress={choose} aria-label={other === 'night' ? 'Switch to night' : 'Switch to day'}>
      <Icon size={18} aria-hidden="true" />
      <Word>{other === 'night' ? 'Night' : 'Day'}</Word>
    </Button>
  );
}
