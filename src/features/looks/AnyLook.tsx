'use client';

import type { JobCard } from '@/core/card';
import type { NextTest } from '@/core/diagnose';
import { Question } from './Question';
import { TestPlayLook } from './TestPlayLook';

/** A look that changes nothing: something to answer, or something that Oil Can measures. */
export const AnyLook = ({ card, test }: { readonly card: JobCard; readonly test: NextTest }) =>
  test.kind === 'test-play' ? <TestPlayLook card={card} test={test} /> : <Question test={test} />;
