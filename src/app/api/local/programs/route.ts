import { answerLocally } from '@/adapters/node/local/answer';
import { readProgramsNow } from '@/adapters/node/local/local-helper';

export const dynamic = 'force-dynamic';

/** What runs on this computer, for pages of ours on this computer. */
const answer = (request: Request): Promise<Response> => answerLocally(request, readProgramsNow);

export {
  answer as DELETE,
  answer as GET,
  answer as HEAD,
  answer as OPTIONS,
  answer as PATCH,
  answer as POST,
  answer as PUT,
};
