import { colour } from './tokens';

/** The drop that marks the one next step. Decorative; the word stands beside it. */
export function Drop({ sizePx = 24 }: { readonly sizePx?: number }) {
  return (
    <svg width={sizePx} height={sizePx} viewBox="0 0 24 24" aria-hidden="true">
      <path d="M12 1c5 7 7 10 7 14a7 7 0 0 1-14 0c0-4 2-7 7-14z" fill={colour.oil} />
    </svg>
  );
}
