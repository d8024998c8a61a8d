'use client';

import { Button as AriaButton, type ButtonProps as AriaButtonProps } from 'react-aria-components';
import styled from 'styled-components';
import { type ButtonLook, buttonStyle } from './button-style';

const Styled = styled(AriaButton)`${buttonStyle}`;

export interface ButtonProps extends AriaButtonProps {
  readonly look?: ButtonLook;
  readonly isWide?: boolean;
}

/** A button; `look` says how much it asks for. One primary button on a screen. */
export function Button({ look = 'plain', isWide = false, ...props }: ButtonProps) {
  return <Styled {...props} data-look={look} data-wide={isWide || undefined} />;
}
