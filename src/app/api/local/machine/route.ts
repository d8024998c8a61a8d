import { answerLocally } from '@/adapters/node/local/answer';
import { readMachineOnce } from '@/adapters/node/local/local-helper';

export const dynamic = 'force-dynamic';

/** What this computer is, for pages of ours on this computer. */
const answer = (request: Request): Promise<Response> => answerLocally(request, readMachineOnce);

export {
  answer as DELETE,
  answer as GET,
  answer as HEAD,
  answer as OPTIONS,
  answer as PATCH,
  answer as POST,
  answer as PUT,
};
