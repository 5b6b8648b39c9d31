import { expect, it } from 'vitest'
import { ago } from './ages'

it.each([
  [0, 'a minute ago'],
  [-5, 'a minute ago'],
  [10 * 60e3, '10 minutes ago'],
  [62 * 60e3, 'an hour ago'],
  [5 * 3600e3, '5 hours ago'],
  [49 * 3600e3, '2 days ago'],
])('%d ms are %s', (ms, words) => expect(ago(ms)).toBe(words))
