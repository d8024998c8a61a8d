'use client';

import { BrokenPage } from '@/features/shell/frame/BrokenPage';

/** Where a whole page breaks outside of a card's own frame. */
export default function ErrorPage({ error, reset }: { readonly error: Error; readonly reset: () => void }) {
  return <BrokenPage error={error} onRetry={reset} />;
}
