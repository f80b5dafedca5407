'use client'
import { useServerInsertedHTML } from 'next/navigation'
import { useState, type ReactNode } from 'react'
import { ServerStyleSheet, StyleSheetManager } from 'styled-components'
import { GlobalStyle } from './GlobalStyle'

/** Sends the styles a page needs with its first HTML: no flash of unstyled content. */
export function StyleRegistry({ children }: { children: ReactNode }) {
  const [sheet] = useState(() => new ServerStyleSheet())
  useServerInsertedHTML(() => {
    const styles = sheet.getStyleElement()
    sheet.instance.clearTag()
    return <>{styles}</>
  })
  const content = <><GlobalStyle />{children}</>
  if (typeof window !== 'undefined') return content
  return <StyleSheetManager sheet={sheet.instance}>{content}</StyleSheetManager>
}
