'use client'
import Link from 'next/link'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import styled from 'styled-components'
import { SUMS_BY_BENCH, type QuickSum } from '@/core/sums'
import { Button } from '@/ui/Button'
import { TextField } from '@/ui/fields'
import { caption, PHONE } from '@/ui/GlobalStyle'

const Nav = styled.nav`
  display: grid;
  gap: 14px;
  h2 {
    ${caption}
    margin-bottom: 2px;
  }
  li a {
    display: block;
    padding: 5px 10px;
    border-left: 3px solid var(--hairline);
    text-decoration: none;
    color: var(--ink);
    small {
      display: block;
      color: var(--quiet);
      font-size: 12.5px;
      line-height: 1.2;
    }
    &:hover {
      background: var(--raised);
    }
    &[aria-current] {
      border-color: var(--scribe);
      background: var(--raised);
      font-weight: 600;
    }
  }
  ${PHONE} {
    section[data-closed] {
      display: none;
    }
    li a {
      padding: 10px 12px;
    }
  }
`
/** On a phone the fields of the sum come before the list of all. */
const PhoneOnly = styled.div`
  display: none;
  ${PHONE} {
    display: block;
  }
`

/** Sums by bench, found by typing any word of their title, question or inputs; Enter opens the first found. */
export function SumFinder({ current }: { current: string }) {
  const [find, setFind] = useState('')
  const [isOpen, setOpen] = useState(false)
  const router = useRouter()
  const groups = SUMS_BY_BENCH.map(({ title, sums }) => ({ title, sums: sums.filter((sum) => isSought(sum, title, find)) })).filter(
    ({ sums }) => sums.length > 0,
  )
  const first = groups[0]?.sums[0]
  return (
    <Nav aria-label="Sums">
      <TextField
        label="Find a sum"
        value={find}
        onChange={setFind}
        type="search"
        onKeyDown={(event) => {
          if (event.key === 'Enter' && find !== '' && first) router.push(`/sums/${first.id}`)
        }}
      />
      <PhoneOnly>
        <Button size="small" aria-expanded={isOpen} onPress={() => setOpen(!isOpen)}>
          {isOpen ? 'Close the list' : 'All sums'}
        </Button>
      </PhoneOnly>
      {groups.length === 0 && <p role="status">No sum has “{find}” in it.</p>}
      {groups.map(({ title, sums }) => (
        <section key={title} data-closed={(!isOpen && find === '') || undefined}>
          <h2>{title}</h2>
          <ul>
            {sums.map((sum) => (
              <li key={sum.id}>
                <Link href={`/sums/${sum.id}`} aria-current={sum.id === current ? 'page' : undefined}>
                  {sum.title}
                  {find !== '' && <small>{sum.question}</small>}
                </Link>
              </li>
            ))}
          </ul>
        </section>
      ))}
    </Nav>
  )
}

function isSought({ title, question, inputs }: QuickSum, bench: string, find: string): boolean {
  const words = [title, question, bench, ...Object.values(inputs).map(({ label }) => label)].join(' ').toLowerCase()
  return find
    .toLowerCase()
    .split(/\s+/)
    .every((word) => words.includes(word))
}
