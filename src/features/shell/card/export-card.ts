import { saveTextFile } from '@/adapters/browser/save-file';
import { type JobCard, serializeCard } from '@/core/card';

/** A file name from a card's title: letters, figures and dashes, so that every system takes it. */
export const cardFileName = (card: JobCard): string => {
  const plain = card.title
    .normalize('NFKD')
    .replace(/[^\w\s-]/g, '')
    .trim()
    .replace(/[\s_]+/g, '-')
    .toLowerCase()
    .slice(0, 60);
  return `${plain || 'job-card'}.oil-can.json`;
};

/** Hands the card to the browser as a download. */
export const exportCard = (card: JobCard): void => saveTextFile(cardFileName(card), serializeCard(card));
