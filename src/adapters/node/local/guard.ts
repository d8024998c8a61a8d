/** Where the helper answers: set by what starts the server on this computer, with the address that it is bound to. */
export const helperAddressVariable = 'OIL_CAN_HELPER';

/** The address "127.0.0.1:PORT" that the server is bound to, or null where the helper is off. */
export function readHelperPort(value: string | undefined): number | null {
  const match = /^127\.0\.0\.1:(\d{1,5})$/.exec(value ?? '');
  const port = Number(match?.[1]);
  return Number.isInteger(port) && port > 0 && port < 65_536 ? port : null;
}

/** What the guard looks at of a request. */
export interface GuardedRequest {
  readonly method: string;
  readonly url: string;
  readonly headers: { readonly get: (name: string) => string | null };
}

/**
 * Whether a request may be answered: it comes from a page of ours in a browser on this computer, and asks for nothing but
 * the one thing. A forged or rebound name fails by `Host`; another page's request by `Sec-Fetch-Site` and `Origin`; a
 * program's own by the missing `Sec-Fetch-Site`. The other addresses of the computer are refused by the socket.
 */
export function isAllowed({ method, url, headers }: GuardedRequest, port: number): boolean {
  const hosts = [`127.0.0.1:${port}`, `localhost:${port}`];
  const host = headers.get('host');
  const origin = headers.get('origin');
  const hasBody = headers.get('transfer-encoding') !== null || Number(headers.get('content-length') ?? 0) !== 0;
  return (
    method === 'GET' &&
    !url.includes('?') &&
    !hasBody &&
    host !== null &&
    hosts.includes(host) &&
    headers.get('sec-fetch-site') === 'same-origin' &&
    (origin === null || origin === `http://${host}`)
  );
}
