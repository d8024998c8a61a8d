import { succeed } from '../../result';
import type { CardProxy, JobCard } from '../types';
import type { CommandHandler } from './types';

/** What is said of all proxies, once the first is there and once the last is gone; more than that only a person says. */
function withState(card: JobCard, proxies: readonly CardProxy[]): JobCard {
  const { editor } = card;
  const isUnsaid = editor.proxies === 'none' || editor.proxies === 'unknown';
  const state =
    proxies.length > 0 && isUnsaid
      ? 'made'
      : proxies.length === 0 && editor.proxies === 'made'
        ? 'none'
        : editor.proxies;
  return { ...card, proxies, editor: { ...editor, proxies: state } };
}

/** Puts proxies on the card, each in the place of the one of the same clip. */
export const setProxies: CommandHandler<{ readonly proxies: readonly CardProxy[] }> = (card, { proxies }) => {
  const ids = new Set(proxies.map(({ clipId }) => clipId));
  return succeed(withState(card, [...card.proxies.filter(({ clipId }) => !ids.has(clipId)), ...proxies]));
};

/** Takes proxies off the card; what lies in folders stays there. */
export const removeProxies: CommandHandler<{ readonly clipIds: readonly string[] }> = (card, { clipIds }) =>
  succeed(
    withState(
      card,
      card.proxies.filter(({ clipId }) => !clipIds.includes(clipId)),
    ),
  );
