import type { z } from 'zod'
import type { FileIssue } from '../document/fileIssue'

const TYPE_WORDS: Readonly<Record<string, string>> = {
  number: 'a number',
  int: 'a whole number',
  string: 'a text',
  boolean: 'true or false',
  array: 'a list',
  object: 'a group of values',
  record: 'a group of values',
  null: 'nothing',
  NaN: 'no number',
  Infinity: 'a number without end',
}

/** What the schema found wrong, in words for a person at the bench rather than for a programmer. */
export function shapeIssue(issue: z.core.$ZodIssue): Extract<FileIssue, { code: 'shape' }> {
  return { code: 'shape', path: issue.path.map((key) => (typeof key === 'symbol' ? String(key) : key)), detail: detailOf(issue) }
}

function detailOf(issue: z.core.$ZodIssue): string {
  switch (issue.code) {
    case 'invalid_type': {
      const received = /received (\w+)/.exec(issue.message)?.[1] ?? ''
      if (received === 'undefined') return 'is missing'
      const wanted = TYPE_WORDS[issue.expected] ?? 'another kind of value'
      return `wants ${wanted}${TYPE_WORDS[received] ? `, not ${TYPE_WORDS[received]}` : ''}`
    }
    case 'too_big':
      return `at most ${issue.maximum}${unitOf(issue.origin)}`
    case 'too_small':
      return issue.origin === 'string' && Number(issue.minimum) === 1
        ? 'is empty'
        : `${issue.inclusive === false ? 'more than' : 'at least'} ${issue.minimum}${unitOf(issue.origin)}`
    case 'invalid_value':
      return `wants one of ${issue.values.map(String).join(', ')}`
    case 'invalid_format':
      return FORMAT_WORDS[issue.format] ?? 'is not written as it should be'
    case 'unrecognized_keys':
      return `holds what no build has: ${issue.keys.join(', ')}`
    case 'custom':
      return issue.message
    default:
      return 'is none of the kinds there are'
  }
}

const FORMAT_WORDS: Readonly<Record<string, string>> = {
  datetime: 'is not a date and time',
  uuid: 'is not an id',
  guid: 'is not an id',
  regex: 'is an id in capitals: small letters are wanted',
}

function unitOf(origin: string): string {
  return { string: ' characters', array: ' of them' }[origin] ?? ''
}
