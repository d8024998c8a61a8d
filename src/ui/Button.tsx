'use client';

import type { ReactNode } from 'react';
import styled from 'styled-components';
import { type ButtonVariant, buttonStyle } from './button-style';

const Styled = styled.button`${buttonStyle}`;

export interface ButtonProps {
  readonly children: ReactNode;
  /** Not for the button of a form. */
  readonly onPress?: () => void;
  /** The button that a form is sent by, and Enter in it. */
  readonly isSubmit?: boolean;
  readonly variant?: ButtonVariant;
  readonly isWide?: boolean;
  readonly isDisabled?: boolean;
  readonly 'aria-label'?: string;
  /** For a choice among several that is shown as pressed. */
  readonly 'aria-pressed'?: boolean;
}

/**
 * A button; `variant` says how much it asks for. One primary button on a screen. It is the platform's own: the
 * React Aria one adds 16 kB to every page and nothing that is used here.
 */
export function Button(all: ButtonProps) {
  const { variant = 'plain', isWide = false, isDisabled = false, isSubmit = false, onPress, ...props } = all;
  return (
    <Styled
      {...props}
      type={isSubmit ? 'submit' : 'button'}
      onClick={onPress}
      disabled={isDisabled}
      data-disabled={isDisabled || undefined}
      data-variant={variant}
      data-wide={isWide || undefined}
    />
  );
}
