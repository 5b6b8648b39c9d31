import type { Units } from './units'

/** As far from SI as a person can choose. For tests. */
export const feet: Units = {
  fahrenheit: true,
  energy: 'BTU',
  power: 'BTU_H',
  mass: 'LB',
  volume: 'US_GAL',
  length: 'FT',
  insulation: 'R',
}
