'use client';

import { createGlobalStyle } from 'styled-components';
import { colour, font, themeVariables } from './tokens';

/** Page-wide rules: the theme's custom properties, the typefaces, focus, and quiet for reduced motion. */
export const GlobalStyle = createGlobalStyle`
  :root { color-scheme: light; ${themeVariables('day')} }
  @media (prefers-color-scheme: dark) {
    :root:not([data-theme='day']) { color-scheme: dark; ${themeVariables('night')} }
  }
  :root[data-theme='night'] { color-scheme: dark; ${themeVariables('night')} }

  *, *::before, *::after { box-sizing: border-box; }
  html { -webkit-text-size-adjust: 100%; scroll-padding: 72px 0 calc(20px + var(--notices-height, 0px)); }
  body {
    margin: 0;
    padding-bottom: var(--notices-height, 0px);
    background: ${colour.paper};
    color: ${colour.ink};
    font: 16px/1.45 ${font.text};
    font-variant-numeric: tabular-nums;
  }
  h1, h2, h3, h4 { font-family: ${font.heading}; font-weight: 650; letter-spacing: -0.01em; line-height: 1.15; margin: 0; }
  p, ul, ol, dl, dd, figure { margin: 0; }
  ul, ol { padding: 0; list-style: none; }
  a { color: ${colour.enamel}; }
  button, input, select, textarea { font: inherit; color: inherit; }
  progress { display: block; width: 100%; height: 10px; accent-color: ${colour.oil}; }
  table { border-collapse: collapse; width: 100%; }
  :focus-visible { outline: 3px solid ${colour.enamel}; outline-offset: 2px; border-radius: 4px; }
  @media (prefers-reduced-motion: reduce) {
    *, *::before, *::after { transition-duration: 0s !important; animation-duration: 0s !important; }
  }
  @media print {
    body { background: white; }
  }
`;
