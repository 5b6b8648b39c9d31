import type { Views } from '@/shared/api/client'
import { degrees, type Temperature } from '@/shared/units'
import type { Design } from './designs'

export type Use = Views['FaceUseView']

export const useWords: Record<Use['of'], string> = {
  SEED_TRAYS: 'seed trays',
  LIE_ON: 'lying on it',
  SIT_ON: 'sitting on it',
  DRY_HERBS: 'drying herbs',
  DRY_FRUIT: 'drying fruit',
}

const list = (words: string[]) =>
  words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`

/**
 * What a surface of that warmth serves for, in words.
 *
 * @param burns °C from which it burns whoever touches it for a minute
 */
export function serves(celsius: number, uses: Use[], burns: number): string {
  const fits = uses.filter((u) => celsius >= u.low && celsius <= u.high)
  const but = celsius >= burns ? ', but it burns within a minute' : ''
  if (fits.length) return `right for ${list(fits.map((u) => useWords[u.of]))}${but}`
  if (celsius < Math.min(...uses.map((u) => u.low))) return 'not warm to the hand'
  return celsius >= burns ? 'burns whoever touches it' : 'no use fits'
}

/** The top of a store as a seat or a drying place, in one sentence. */
export function topSentence(
  now: number | null,
  full: number | null,
  uses: Use[],
  burns: number,
  u: Temperature,
): string {
  const tell = (word: string, c: number | null) =>
    c == null ? [] : [`${word} ${degrees(c, u, 0)}, ${serves(c, uses, burns)}`]
  return `Its top has ${[...tell('now', now), ...tell('when full', full)].join('; ')}.`
}

const WIDE = 0.2 // m² that something can lie on

/** A top when full, °C, where it is solid, wide enough to lay things on, and meets a room's air. */
export function topWhenFull(d: Design, appraisal: Views['Appraisal'] | undefined): number | null {
  const top = appraisal?.faces.find((f) => f.face === 'TOP')
  return top && d.medium !== 'water' && top.areaSquareMetres / d.count >= WIDE
    ? top.surfaceCelsius
    : null
}
