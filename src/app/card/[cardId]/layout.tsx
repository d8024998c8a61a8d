import type { ReactNode } from 'react';
import { CardFrame } from '@/features/shell/CardFrame';

export default function CardLayout({ children }: { readonly children: ReactNode }) {
  return <CardFrame>{children}</CardFrame>;
}
