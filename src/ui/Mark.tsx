import { colour } from './tokens';

/** The mark: a small long-spouted oil can with a drop. Decorative; the name stands beside it. */
export function Mark() {
  return (
    <svg width="34" height="30" viewBox="0 0 34 30" fill="none" aria-hidden="true">
      <path d="M6 13h13l3 12a3 3 0 0 1-3 3H6a3 3 0 0 1-3-3z" fill={colour.enamel} />
      <path d="M12 13c0-3 2-4 4-5L30 3" stroke={colour.enamel} strokeWidth="2.6" strokeLinecap="round" />
      <path d="M9 13v-3a3 3 0 0 1 3-3" stroke={colour.enamel} strokeWidth="2.2" />
      <path d="M31.5 8c1.5 2 2 2.9 2 3.8a2 2 0 0 1-4 0c0-.9.5-1.8 2-3.8z" fill={colour.oil} />
    </svg>
  );
}
