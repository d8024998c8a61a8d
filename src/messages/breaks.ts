/** What happened where something of Oil Can broke, what was kept, and what to do. The error's own words go along for whoever helps. */
export function describeBreak(what: 'sheet' | 'page' | 'all', error: unknown): string {
  const words = error instanceof Error && error.message !== '' ? ` It said: “${error.message.slice(0, 200)}”.` : '';
  switch (what) {
    case 'sheet':
      return `This part could not be shown; the rest of the page goes on, and nothing of your card is lost.${words}`;
    case 'page':
      return `This page of the card could not be shown. The card itself is stored as it was; go on with another step, or try this one again.${words}`;
    case 'all':
      return `Oil Can could not be shown. Your cards lie in this browser as they were stored.${words}`;
    default:
      return what satisfies never;
  }
}
