'use client';

import { useState } from 'react';
import { fetchSampleClip } from '@/adapters/browser/fetch-sample-clip';
import { createCardClip } from '@/core/card';
import { createInspectClient } from '@/workers/inspect.client';
import { rememberFile } from '../footage/session-files';
import { useOpenCard } from '../shell/card/use-open-card';
import { useNotify } from '../shell/notices/notices';

/** Puts the clip that ships with Oil Can on the card, so that proxies can be tried without footage of one's own. */
export function useSampleClip(onTaken: (clipId: string) => void): {
  readonly isTaking: boolean;
  readonly take: () => Promise<void>;
} {
  const { run } = useOpenCard();
  const notify = useNotify();
  const [isTaking, setTaking] = useState(false);
  const take = async () => {
    setTaking(true);
    const file = await fetchSampleClip();
    const client = createInspectClient();
    const answer = file && (await client.inspect(file));
    client.dispose();
    setTaking(false);
    if (!file || !answer?.result.ok) {
      notify({ kind: 'alarm', text: 'The sample clip did not come. Load the page again, and try once more.' });
      return;
    }
    const clip = createCardClip({
      id: crypto.randomUUID(),
      facts: answer.result.value,
      browserAnswer: answer.browserAnswer,
    });
    if (!run({ type: 'addClips', input: { clips: [{ clip }] } }).ok) return;
    rememberFile(clip.id, file);
    onTaken(clip.id);
  };
  return { isTaking, take };
}
