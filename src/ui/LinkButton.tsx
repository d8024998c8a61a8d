'use client';

import Link from 'next/link';
import type { ReactNode } from 'react';
import styled from 'styled-components';
import { type ButtonVariant, buttonStyle } from './button-style';

const Styled = styled(Link)`${buttonStyle}`;

interface LinkButtonProps {
  readonly href: string;
  readonly children: ReactNode;
  readonly variant?: ButtonVariant;
  readonly isWide?: boolean;
  readonly isNewTab?: boolean;
}

/** A link that looks like a button: it leads somewhere and changes nothing. */
export function LinkButton({ variant = 'plain', isWide = false, isNewTab = false, ...props }: LinkButtonProps) {
  return (
    <Styled
      {...props}
      prefetch={false}
      target={isNewTab ? '_blank' : undefined}
      data-variant={variant}
      data-wide={isWide || undefined}
    />
  );
}
