'use client'
import { lazy, Suspense, useSyncExternalStore, type ComponentType } from 'react'

/** A part of a page that is fetched when it is first shown, and in the browser alone: the server has nothing to draw of it. */
export function lazyPart<Props extends object>(fetchPart: () => Promise<ComponentType<Props>>): ComponentType<Props> {
  const Part = lazy(async () => ({ default: await fetchPart() }))
  return function LazyPart(props: Props) {
    if (!useHydrated()) return null
    return (
      <Suspense>
        <Part {...props} />
      </Suspense>
    )
  }
}

/** Whether the page works: before that it is only what the server drew. */
export function useHydrated(): boolean {
  return useSyncExternalStore(
    () => () => {},
    () => true,
    () => false,
  )
}
