import { type GuardedRequest, helperAddressVariable, isAllowed, readHelperPort } from './guard';

/** Every refusal is the same, and says nothing of why. */
const refuse = (): Response => new Response(null, { status: 404, headers: { 'Cache-Control': 'no-store' } });

/** Answers a request with what is read of this computer where the guard lets it through, else as if nothing were there. */
export async function answerLocally(request: GuardedRequest, read: () => Promise<unknown>): Promise<Response> {
  const port = readHelperPort(process.env[helperAddressVariable]);
  if (port === null || !isAllowed(request, port)) return refuse();
  return Response.json(await read(), {
    headers: { 'Cache-Control': 'no-store', 'Cross-Origin-Resource-Policy': 'same-origin' },
  });
}
