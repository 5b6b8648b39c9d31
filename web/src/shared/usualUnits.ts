import { SI, type Units } from './units'

const AMERICAN: Units = {
  fahrenheit: true,
  energy: 'BTU',
  power: 'BTU_H',
  mass: 'LB',
  volume: 'US_GAL',
  length: 'FT',
  insulation: 'R',
}

/** The units that people use where a browser's language and its clock both say that it is; SI elsewhere. */
export function usualUnits(language: string, zone: string): Units {
  const region = new Intl.Locale(language).maximize().region
  const there = /^(America|Pacific|US)\//.test(zone)
  return there && ['US', 'LR'].includes(region ?? '') ? AMERICAN : SI
}

/** Those of this browser. */
export const unitsHere = () =>
  usualUnits(navigator.language, Intl.DateTimeFormat().resolvedOptions().timeZone)
