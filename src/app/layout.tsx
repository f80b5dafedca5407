import '@fontsource-variable/archivo/standard.css'
import '@fontsource-variable/azeret-mono/index.css'
import type { Metadata, Viewport } from 'next'
import { cookies, headers } from 'next/headers'
import type { ReactNode } from 'react'
import { WithClocks } from '@/features/clocks/WithClocks'
import { DeviceProvider, type DevicePreferences } from '@/ui/device'
import { OfflineCopy } from '@/ui/OfflineCopy'
import { StyleRegistry } from '@/ui/StyleRegistry'

export const metadata: Metadata = {
  title: { default: 'Kalibros', template: '%s · Kalibros' },
  description: 'The bench book that does the sums.',
}
export const viewport: Viewport = {
  width: 'device-width',
  initialScale: 1,
  themeColor: [
    { media: '(prefers-color-scheme: light)', color: '#fbf9f5' },
    { media: '(prefers-color-scheme: dark)', color: '#1e1d28' },
  ],
}

export default async function RootLayout({ children }: { children: ReactNode }) {
  const jar = await cookies()
  const nonce = (await headers()).get('x-nonce') ?? ''
  const theme = oneOf(jar.get('kalibros-theme')?.value, ['auto', 'light', 'dark']) ?? 'auto'
  const preferences: DevicePreferences = {
    theme,
    system: oneOf(jar.get('kalibros-system')?.value, ['metric', 'inch']),
    initials: jar.get('kalibros-initials')?.value ?? '',
    buildSystems: systemsFrom(jar.get('kalibros-units')?.value ?? ''),
  }
  return (
    <html lang="en" data-theme={theme}>
      <body>
        <StyleRegistry nonce={nonce}>
          <DeviceProvider initial={preferences}>
            <WithClocks>{children}</WithClocks>
          </DeviceProvider>
        </StyleRegistry>
        <OfflineCopy />
      </body>
    </html>
  )
}

/** `id:inch.id:metric`, as the device keeps it. */
function systemsFrom(text: string): DevicePreferences['buildSystems'] {
  return Object.fromEntries(
    text.split('.').flatMap((one) => {
      const [id, system] = one.split(':')
      const known = oneOf(system, ['metric', 'inch'])
      return id && known ? [[id, known] as const] : []
    }),
  )
}

function oneOf<Value extends string>(text: string | undefined, values: readonly Value[]): Value | undefined {
  return values.find((value) => value === text)
}
