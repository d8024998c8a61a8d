import '@fontsource-variable/atkinson-hyperlegible-mono/wght.css';
import '@fontsource-variable/atkinson-hyperlegible-next/wght.css';
import '@fontsource-variable/bricolage-grotesque/wght.css';
import type { Metadata, Viewport } from 'next';
import { cookies } from 'next/headers';
import type { ReactNode } from 'react';
import { CardStoreProvider } from '@/features/shell/card/store-context';
import { themeCookieName } from '@/features/shell/frame/theme-cookie';
import { NoticesProvider } from '@/features/shell/notices/notices';
import { GlobalStyle } from '@/ui/GlobalStyle';
import { StyleRegistry } from './style-registry';

export const metadata: Metadata = {
  title: 'Oil Can',
  description: 'Finds out why a video preview lags, and what will help.',
};

export const viewport: Viewport = { width: 'device-width', initialScale: 1 };

/** Every page: theme, fonts, styles, the card store and notices. Reading the cookie also makes each answer its own, as the nonce needs. */
export default async function RootLayout({ children }: { readonly children: ReactNode }) {
  const chosen = (await cookies()).get(themeCookieName)?.value;
  const theme = chosen === 'day' || chosen === 'night' ? chosen : undefined;
  return (
    <html lang="en" data-theme={theme} suppressHydrationWarning>
      <body>
        <StyleRegistry>
          <GlobalStyle />
          <NoticesProvider>
            <CardStoreProvider>{children}</CardStoreProvider>
          </NoticesProvider>
        </StyleRegistry>
      </body>
    </html>
  );
}
