import { loadPracticeFiles } from '@/demo/load-practice';

/** What is hidden in the practice machines beside the demo cards, as data: only measuring asks for it. */
export const dynamic = 'force-static';

export const GET = async (): Promise<Response> => Response.json(await loadPracticeFiles());
