'use client';

import Link from 'next/link';
import type { ReactNode } from 'react';
import styled from 'styled-components';
import { type ButtonLook, buttonStyle } from './button-style';

const Styled = styled(Link)`${buttonStyle}`;

interface LinkButtonProps {
  readonly href: string;
  readonly children: ReactNode;
  readonly look?: ButtonLook;
  readonly isWide?: boolean;
}

/** A link that looks like a button: it leads somewhere and changes nothing. */
export function LinkButton({ look = 'plain', isWide = false, ...props }: LinkButtonProps) {
  return <Styled {...props} prefetch={false} data-look={look} data-wide={isWide || undefined} />;
}
