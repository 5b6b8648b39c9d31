import type { Views } from '@/shared/api/client'
import { degrees, type Temperature } from '@/shared/units'
import type { Asked } from './useTonight'

export const skies = [
  { value: null, text: 'as told' },
  { value: 0, text: 'clear' },
  { value: 0.5, text: 'half clouded' },
  { value: 1, text: 'overcast' },
]
export const winds = [
  { value: null, text: 'as told' },
  { value: 0.5, text: 'still' },
  { value: 2, text: 'a breeze' },
  { value: 5, text: 'fresh wind' },
  { value: 10, text: 'storm' },
]

/** The low that a forecast or a file told, °C. */
export const forecastLow = (n: Views['TonightView'] | null) =>
  n?.assumptions.find((a) => a.code.startsWith('WEATHER_F'))?.value ?? null

/** What the night is reckoned from, on one line. */
export function givenWords(
  asked: Asked,
  read: Record<string, number | null>,
  night: Views['TonightView'] | null,
  u: Temperature,
): string {
  const told = forecastLow(night)
  const low =
    asked.low != null
      ? `a low of ${degrees(asked.low, u)}`
      : told != null
        ? `forecast low ${degrees(told, u)}`
        : 'tonight’s low not known'
  const sky = skies.find((k) => k.value === asked.cloud)?.text ?? 'as told'
  const wind = winds.find((k) => k.value === asked.wind)?.text ?? 'as told'
  const typed = Object.values(read).filter((v) => v != null).length
  return [low, `sky ${sky}`, `wind ${wind}`, ...(typed ? [`${typed} typed for now`] : [])].join(
    ' · ',
  )
}
