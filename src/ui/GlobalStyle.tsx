'use client'
import { createGlobalStyle, css } from 'styled-components'

/** Layout dye for structure, a copper scribe line for here and now, warm paper for the bench top. */
const light = css`
  --ground: #f4f1ea;
  --raised: #fbf9f5;
  --ink: #1b1a22;
  --quiet: #5a5662;
  --hairline: #d8d2c6;
  --edge: #8d877c;
  --dye: #2e2a78;
  --dye-wash: #e5e3f3;
  --scribe: #a64a18;
  --on-scribe: #ffffff;
  --within: #1c6b58;
  --doubt: #7d5200;
  --out: #ad2218;
  color-scheme: light;
`
const dark = css`
  --ground: #15141c;
  --raised: #1e1d28;
  --ink: #ece8df;
  --quiet: #a9a4b0;
  --hairline: #3a3845;
  --edge: #75727f;
  --dye: #a9a4f0;
  --dye-wash: #2a2752;
  --scribe: #e8894f;
  --on-scribe: #15141c;
  --within: #5cc3ad;
  --doubt: #e2b23e;
  --out: #ff8b7b;
  color-scheme: dark;
`

export const GlobalStyle = createGlobalStyle`
  :root { ${light} }
  @media (prefers-color-scheme: dark) { :root:not([data-theme='light']) { ${dark} } }
  :root[data-theme='dark'] { ${dark} }

  *, *::before, *::after { box-sizing: border-box; }
  html { -webkit-text-size-adjust: 100%; }
  body {
    margin: 0; background: var(--ground); color: var(--ink);
    font: 400 14px/1.4 'Archivo Variable', 'Archivo', system-ui, sans-serif;
    min-height: 100dvh;
  }
  h1, h2, h3, p, ul, ol, dl, dd, figure, fieldset { margin: 0; padding: 0; }
  ul, ol { list-style: none; }
  fieldset { border: 0; min-width: 0; }
  a { color: var(--dye); text-underline-offset: 3px; text-decoration-thickness: 1px; }
  table { border-collapse: collapse; }
  button, input, select, textarea { font: inherit; color: inherit; }
  :focus-visible { outline: 2px solid var(--scribe); outline-offset: 2px; }
  [data-react-aria-pressable] { touch-action: manipulation; }
  @media (prefers-reduced-motion: reduce) { *, *::before, *::after { transition: none !important; animation: none !important; } }
  @media print {
    :root, :root[data-theme='dark'] {
      --ground: #fff; --raised: #fff; --ink: #000; --quiet: #000; --hairline: #888; --edge: #000; --dye: #000; --dye-wash: #fff;
      --scribe: #000; --within: #000; --doubt: #000; --out: #000; color-scheme: light;
    }
  }
`

/** Every number stands in the one monospace, figures the same width. */
export const numerals = css`
  font-family: 'Azeret Mono Variable', 'Azeret Mono', ui-monospace, monospace;
  font-variant-numeric: tabular-nums;
  letter-spacing: -0.03em;
`

/** Small condensed capitals over a block, as on a drawing. */
export const caption = css`
  font-size: 12px;
  font-weight: 600;
  font-stretch: 85%;
  letter-spacing: 0.04em;
  text-transform: uppercase;
  color: var(--quiet);
`

export const PHONE = '@media (max-width: 719px)'
export const NARROW = '@media (max-width: 1099px)'
