'use client'
import { useServerInsertedHTML } from 'next/navigation'
import { useState, type ReactNode } from 'react'
import { ServerStyleSheet, StyleSheetManager } from 'styled-components'
import { GlobalStyle } from './GlobalStyle'

/**
 * Sends the styles a page needs with its first HTML, under the page's own permission: no flash of unstyled content, no
 * inline style allowed to others.
 */
export function StyleRegistry({ nonce: given, children }: { nonce: string; children: ReactNode }) {
  // A page refreshed in place goes on under the permission it came with; the fresh answer's is not valid in it.
  const [nonce] = useState(given)
  const [sheet] = useState(() => new ServerStyleSheet({ nonce }))
  useServerInsertedHTML(() => {
    const styles = sheet.getStyleElement()
    sheet.instance.clearTag()
    return <>{styles}</>
  })
  // Libraries that put styles in find the page's own permission in the meta element.
  const content = (
    <>
      <meta property="csp-nonce" nonce={nonce} content={nonce} />
      <GlobalStyle />
      {children}
    </>
  )
  if (typeof window !== 'undefined') return <StyleSheetManager nonce={nonce}>{content}</StyleSheetManager>
  return <StyleSheetManager sheet={sheet.instance}>{content}</StyleSheetManager>
}
