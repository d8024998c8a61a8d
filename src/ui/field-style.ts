import { css } from 'styled-components';
import { colour } from './tokens';

/** The column of a labelled control: label, control, help. */
export const fieldStyle = css`
  display: flex;
  flex-direction: column;
  gap: 4px;
  min-width: 0;
  border: 0;
  padding: 0;
  margin: 0;
`;

export const labelStyle = css`
  font-size: 14.5px;
  color: ${colour.inkSoft};
`;

/** A well in which something is typed or chosen. */
export const wellStyle = css`
  min-height: 36px;
  padding: 5px 10px;
  border: 1px solid ${colour.edge};
  border-radius: 4px;
  background: ${colour.card};
  color: ${colour.ink};
  width: 100%;
  &[data-invalid] { border-color: ${colour.alarm}; }
`;

/** What stands under a field. */
export const helpStyle = css`
  font-size: 14px;
  color: ${colour.inkSoft};
`;
