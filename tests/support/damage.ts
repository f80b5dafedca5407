import type { RandomStream } from '@/core/numerics/random'

export const pick = <Item>(random: RandomStream, items: readonly Item[]): Item => items[Math.floor(random.uniform() * items.length)]!

/** What a bad disk, an editor or a careless script makes of a text. */
export function damaged(text: string, random: RandomStream): string {
  const at = Math.floor(random.uniform() * text.length)
  const length = Math.floor(random.uniform() * 60)
  switch (Math.floor(random.uniform() * 5)) {
    case 0:
      return text.slice(0, at)
    case 1:
      return text.slice(0, at) + text.slice(at + length)
    case 2:
      return text.slice(0, at) + pick(random, ['"', '{', ']', ',', '\0', 'NaN', '-', '€', '1e999', 'null']) + text.slice(at + 1)
    case 3:
      return text.slice(0, at) + text.slice(at, at + length) + text.slice(at)
    default:
      return `${pick(random, ['\uFEFF', ' ', '\n', 'x'])}${text}`
  }
}

const VALUES = [null, 0, -1, 1e308, -1e-300, 'x', '', [], {}, true, 17, '1e5', [[]], { format: 'x' }, 'constructor', '__proto__']

/** The document with one value somewhere in it replaced or left out. */
export function replaced(value: unknown, random: RandomStream): unknown {
  if (Array.isArray(value) && value.length > 0 && random.uniform() < 0.9)
    return value.with(Math.floor(random.uniform() * value.length), replaced(pick(random, value), random))
  if (typeof value === 'object' && value !== null && Object.keys(value).length > 0 && random.uniform() < 0.9) {
    const key = pick(random, Object.keys(value))
    if (random.uniform() < 0.1) return Object.fromEntries(Object.entries(value).filter(([name]) => name !== key))
    return { ...value, [key]: replaced((value as Record<string, unknown>)[key], random) }
  }
  return pick(random, VALUES)
}
