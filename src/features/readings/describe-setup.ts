import type { FixUse } from '@/core/card';
import { fixTitle } from '@/messages/fix-titles';

/** The fixes by name, or how it was before any. */
export const describeReadingSetup = (fixes: readonly FixUse[]): string =>
  fixes.length === 0 ? 'before any fix' : fixes.map((fix) => fixTitle(fix.id, fix.level)).join('; ');
