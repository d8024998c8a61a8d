import { loadDemoCards } from '@/demo/load-demo-cards';

/** The demo cards as data: as a script they would weigh on everybody's first page. */
export const dynamic = 'force-static';

export const GET = async (): Promise<Response> => Response.json(await loadDemoCards());
