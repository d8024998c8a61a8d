'use client';

import { BrokenPage } from '@/features/shell/frame/BrokenPage';
import { GlobalStyle } from '@/ui/GlobalStyle';

/** Where even the frame of all pages breaks. */
export default function GlobalErrorPage({ error, reset }: { readonly error: Error; readonly reset: () => void }) {
  return (
    <html lang="en">
      <body>
        <GlobalStyle />
        <BrokenPage error={error} onRetry={reset} />
      </body>
    </html>
  );
}
