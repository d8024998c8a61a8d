'use client';

import { useServerInsertedHTML } from 'next/navigation';
import { type ReactNode, useState } from 'react';
import { ServerStyleSheet, StyleSheetManager } from 'styled-components';

/** Collects the styles of the server's render into the page's head, so that the first paint is styled. */
export function StyleRegistry({ children }: { readonly children: ReactNode }) {
  const [sheet] = useState(() => new ServerStyleSheet());
  useServerInsertedHTML(() => {
    const styles = sheet.getStyleElement();
    sheet.instance.clearTag();
    return styles;
  });
  if (typeof window !== 'undefined') return children;
  return <StyleSheetManager sheet={sheet.instance}>{children}</StyleSheetManager>;
}
