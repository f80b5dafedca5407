'use client'
import { useEffect, useMemo } from 'react'
import styled from 'styled-components'
import type { PhotoCard } from '@/core/files'
import type { KeptPhoto } from '@/features/entries/photos/keptPhotos'

const Strip = styled.ul`
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  padding: 10px 18px;
  border-bottom: 1px solid var(--hairline);
  img {
    display: block;
    height: 96px;
    border: 1px solid var(--edge);
    border-radius: 2px;
  }
  small {
    display: block;
    font-size: 12px;
    color: var(--quiet);
  }
`

/** The pictures of a step: those the server has, and those that wait on this device. */
export function StepPhotos({
  buildId,
  title,
  kept,
  waiting,
}: {
  buildId: string
  title: string
  kept: readonly PhotoCard[]
  waiting: readonly KeptPhoto[]
}) {
  const unsent = waiting.filter(({ id }) => !kept.some((one) => one.id === id))
  if (kept.length + unsent.length === 0) return null
  return (
    <Strip aria-label={`Pictures: ${title}`}>
      {kept.map((photo) => {
        const src = `/api/builds/${buildId}/photos/${photo.id}`
        return (
          <li key={photo.id}>
            <a href={src} target="_blank" rel="noreferrer">
              <Picture src={src} title={title} by={photo.by} />
            </a>
            <small>
              {photo.by} {photo.at.slice(0, 10)}
            </small>
          </li>
        )
      })}
      {unsent.map((photo) => (
        <li key={photo.id}>
          <WaitingPicture photo={photo} title={title} />
          <small>on this device, not sent yet</small>
        </li>
      ))}
    </Strip>
  )
}

function WaitingPicture({ photo, title }: { photo: KeptPhoto; title: string }) {
  const src = useMemo(() => URL.createObjectURL(photo.picture), [photo.picture])
  useEffect(() => () => URL.revokeObjectURL(src), [src])
  return <Picture src={src} title={title} by={photo.by} />
}

function Picture({ src, title, by }: { src: string; title: string; by: string }) {
  // What the browser drew itself is small already.
  // oxlint-disable-next-line nextjs/no-img-element
  return <img src={src} alt={`${title}, taken by ${by}`} loading="lazy" />
}
