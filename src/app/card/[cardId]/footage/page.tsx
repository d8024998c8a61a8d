import { Footage } from '@/features/footage/Footage';

export default async function FootagePage({
  searchParams,
}: {
  readonly searchParams: Promise<Readonly<Record<string, string | string[] | undefined>>>;
}) {
  const { clip } = await searchParams;
  return <Footage clipId={typeof clip === 'string' ? clip : null} />;
}
