import type { CheckedProxy, ProxyCheck, ProxyFailure } from '@/core/proxies';
import type { Result } from '@/core/result';

/** A file that was chosen to be checked, and where it stands. */
export interface CheckedFile {
  readonly name: string;
  readonly state:
    | { readonly status: 'unpaired' | 'original-not-open' | 'waiting' | 'checking' }
    | { readonly status: 'done'; readonly check: ProxyCheck }
    | { readonly status: 'failed'; readonly failure: ProxyFailure };
}

export type ChecksEvent =
  | { readonly type: 'chosen'; readonly rows: readonly CheckedFile[] }
  | { readonly type: 'began'; readonly name: string }
  | { readonly type: 'ended'; readonly name: string; readonly outcome: Result<CheckedProxy, ProxyFailure> };

/** Steps the list on; pure. A file that is chosen again takes the place of the one before. */
export function reduceChecks(rows: readonly CheckedFile[], event: ChecksEvent): readonly CheckedFile[] {
  if (event.type === 'chosen') {
    const names = new Set(event.rows.map(({ name }) => name));
    return [...rows.filter(({ name }) => !names.has(name)), ...event.rows];
  }
  const { name } = event;
  const state: CheckedFile['state'] =
    event.type === 'began'
      ? { status: 'checking' }
      : event.outcome.ok
        ? { status: 'done', check: event.outcome.value.check }
        : { status: 'failed', failure: event.outcome.failure };
  return rows.map((row) => (row.name === name ? { name, state } : row));
}
