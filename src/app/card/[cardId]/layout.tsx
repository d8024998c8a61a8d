import type { ReactNode } from 'react';
import { helperAddressVariable, readHelperPort } from '@/adapters/node/local/guard';
import { FootageReading } from '@/features/footage/FootageReading';
import { HelperProvider } from '@/features/shell/card/helper-context';
import { CardFrame } from '@/features/shell/frame/CardFrame';

export default function CardLayout({ children }: { readonly children: ReactNode }) {
  return (
    <HelperProvider isOn={readHelperPort(process.env[helperAddressVariable]) !== null}>
      <CardFrame>
        <FootageReading>{children}</FootageReading>
      </CardFrame>
    </HelperProvider>
  );
}
