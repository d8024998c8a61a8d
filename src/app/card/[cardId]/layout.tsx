import type { ReactNode } from 'react';
import { FootageReading } from '@/features/footage/FootageReading';
import { CardFrame } from '@/features/shell/CardFrame';

export default function CardLayout({ children }: { readonly children: ReactNode }) {
  return (
    <CardFrame>
      <FootageReading>{children}</FootageReading>
    </CardFrame>
  );
}
