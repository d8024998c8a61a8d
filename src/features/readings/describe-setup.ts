import type { FixUse } from '@/core/card';
import { listFixTitles } from '@/messages/fix-titles';

/** The fixes by name, or how it was before any. */
export const describeReadingSetup = (fixes: readonly FixUse[]): string =>
  fixes.length === 0 ? 'before any fix' : listFixTitles(fixes);
