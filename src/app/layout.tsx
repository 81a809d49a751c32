import '@fontsource-variable/bricolage-grotesque/index.css';
import '@fontsource-variable/figtree/index.css';
import CssBaseline from '@mui/material/CssBaseline';
import InitColorSchemeScript from '@mui/material/InitColorSchemeScript';
import { ThemeProvider } from '@mui/material/styles';
import { AppRouterCacheProvider } from '@mui/material-nextjs/v16-appRouter';
import type { Metadata, Viewport } from 'next';
import { headers } from 'next/headers';
import type { ReactNode } from 'react';
import { theme } from '@/ui/theme';

export const metadata: Metadata = {
  title: { default: 'Mochila', template: '%s · Mochila' },
  description: 'Place strokes on the count, practise to a click that thins, see where every stroke fell.',
};

export const viewport: Viewport = {
  themeColor: [
    { color: '#faf6ee', media: '(prefers-color-scheme: light)' },
    { color: '#171a27', media: '(prefers-color-scheme: dark)' },
  ],
};

export default async function RootLayout({ children }: { children: ReactNode }) {
  const nonce = (await headers()).get('x-nonce') ?? undefined;
  return (
    <html lang="en" suppressHydrationWarning>
      <body>
        <InitColorSchemeScript attribute="class" nonce={nonce} />
        <AppRouterCacheProvider options={{ key: 'm', nonce, prepend: true }}>
          <ThemeProvider theme={theme} defaultMode="system">
            <CssBaseline enableColorScheme />
            {children}
          </ThemeProvider>
        </AppRouterCacheProvider>
      </body>
    </html>
  );
}
