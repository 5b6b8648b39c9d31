import { expect, it } from 'vitest'
import { usualUnits } from './usualUnits'

it.each([
  ['en-US', 'America/Denver', true],
  ['en', 'America/New_York', true],
  ['en-US', 'Pacific/Honolulu', true],
  ['en-US', 'Europe/London', false],
  ['en-US', 'UTC', false],
  ['en-CA', 'America/Toronto', false],
  ['es-MX', 'America/Mexico_City', false],
  ['en-GB', 'Europe/London', false],
])('%s in %s: °F is %s', (language, zone, fahrenheit) => {
  const units = usualUnits(language, zone)
  expect(units.fahrenheit).toBe(fahrenheit)
  expect(units.length).toBe(fahrenheit ? 'FT' : 'M')
})
