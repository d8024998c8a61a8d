import type { Metadata } from 'next';
import { type PracticePattern, practicePatterns } from '@/core/meter';
import { PracticeWindow } from '@/features/practice/PracticeWindow';

/** Sharing dialogs and tests know the window by this. */
export const metadata: Metadata = { title: 'Practice window · Oil Can' };

/** `?fps=24&pattern=even` opens it with a rate and a pattern. */
export default async function PracticePage({
  searchParams,
}: {
  readonly searchParams: Promise<Readonly<Record<string, string | string[] | undefined>>>;
}) {
  const { fps, pattern } = await searchParams;
  const asked = Number(fps);
  const isPattern = (value: unknown): value is PracticePattern => practicePatterns.some((known) => known === value);
  return (
    <PracticeWindow
      firstFps={asked >= 0.5 && asked <= 60 ? asked : 24}
      firstPattern={isPattern(pattern) ? pattern : 'even'}
    />
  );
}
