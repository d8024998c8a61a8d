import { css } from 'styled-components';
import { colour } from './tokens';

export type ButtonVariant = 'primary' | 'plain' | 'quiet' | 'danger';

/** Shared by buttons and by links that look like one. Set the variant as `data-variant`. */
export const buttonStyle = css`
  display: inline-flex;
  align-items: center;
  justify-content: center;
  gap: 8px;
  min-height: 36px;
  padding: 6px 12px;
  border: 1px solid ${colour.edge};
  border-radius: 4px;
  background: transparent;
  color: ${colour.ink};
  font-size: 15px;
  font-weight: 600;
  line-height: 1.2;
  text-decoration: none;
  cursor: pointer;
  transition: background-color 150ms;
  &:hover { background: ${colour.inset}; }
  &[data-variant='primary'] { background: ${colour.enamel}; border-color: ${colour.enamel}; color: ${colour.onEnamel}; }
  &[data-variant='primary']:hover { filter: brightness(1.12); }
  &[data-variant='quiet'] { border-color: transparent; color: ${colour.enamel}; padding-inline: 8px; }
  /* Its words, not its unseen edge, stand where the text around it begins. */
  &[data-variant='quiet']:first-child { margin-inline-start: -9px; }
  &[data-variant='danger'] { border-color: transparent; color: ${colour.alarm}; padding-inline: 8px; }
  &[aria-pressed='true'] { background: ${colour.inset}; border-color: ${colour.enamel}; box-shadow: inset 0 -3px 0 ${colour.enamel}; }
  &[data-disabled] { opacity: 0.5; cursor: not-allowed; }
  &[data-wide] { width: 100%; }
  svg { flex: none; }
`;
