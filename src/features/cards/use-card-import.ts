'use client';

import { fetchDemoCards } from '@/adapters/browser/fetch-demo-cards';
import { parseCardText } from '@/core/card';
import { formatCount } from '@/messages/format';
import { useCardStore } from '../shell/card/store-context';
import { useNotify } from '../shell/notices/notices';

/** Far larger than any card; a bigger file is something else, and is refused before it is read. */
const largestCardBytes = 50_000_000;

/** Reading cards from files, and bringing the demo cards. A card whose id is taken gets a new one; nothing is overwritten. */
export function useCardImport() {
  const store = useCardStore();
  const notify = useNotify();

  const importFiles = async (files: readonly File[]): Promise<void> => {
    const problems: string[] = [];
    let importedCount = 0;
    for (const file of files) {
      if (file.size > largestCardBytes) {
        problems.push(`“${file.name}” is too large to be a job card.`);
        continue;
      }
      const parsed = parseCardText(await file.text());
      if (!parsed.ok) {
        // Fetched only where a file is refused: the first page stays light.
        const { describeCardFailure } = await import('@/messages/card');
        problems.push(`“${file.name}”: ${describeCardFailure(parsed.failure)}`);
        continue;
      }
      // Asked anew for each file: two chosen at once may be copies of one card.
      // A row that cannot be read is kept as it is, too.
      const known = store?.getSnapshot();
      const { id } = parsed.value;
      const isTaken = known?.cards.has(id) || known?.unreadable.some((row) => row.id === id);
      store?.add(isTaken ? { ...parsed.value, id: crypto.randomUUID() } : parsed.value);
      importedCount += 1;
    }
    const done = importedCount > 0 ? `Imported ${formatCount(importedCount, 'card')}. ` : '';
    if (files.length > 0) notify({ kind: problems.length > 0 ? 'alarm' : 'info', text: done + problems.join(' ') });
  };

  const addDemoCards = async (): Promise<void> => {
    for (const card of await fetchDemoCards()) store?.add(card);
  };

  return { importFiles, addDemoCards };
}
