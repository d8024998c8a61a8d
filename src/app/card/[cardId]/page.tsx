import { redirect } from 'next/navigation';

/** A card's bare address leads to its findings, which say what is next. */
export default async function CardPage({ params }: { readonly params: Promise<{ cardId: string }> }) {
  const { cardId } = await params;
  redirect(`/card/${cardId}/findings`);
}
