import { interpolateLab } from 'd3-interpolate'
import { scaleLinear } from 'd3-scale'
import type { Temperature } from './units'

/**
 * The heat scale, the same everywhere: even steps of lightness from frost to straw, so that it
 * reads in grey and without red or green.
 */
const ramp = scaleLinear<string>()
  .domain([0, 0.22, 0.45, 0.68, 0.86, 1])
  .range(['#1f3f66', '#4a5d84', '#80728c', '#c07f66', '#e9a24f', '#f8dc8a'])
  .interpolate(interpolateLab)
  .clamp(true)

/** Colour of a temperature: frost below 0 °C, then by the root of the excess so that warmth shows. */
export function heatColour(celsius: number, hottest: number): string {
  const top = Math.max(30, hottest)
  if (celsius <= 0) return ramp(0.1 + Math.max(-10, celsius) * 0.01)
  return ramp(0.12 + 0.88 * Math.sqrt(Math.min(1, celsius / top)))
}

/** Round temperatures of the person's own scale within a stretch, in °C. */
export function degreeTicks([low, high]: number[], count: number, u: Temperature): number[] {
  if (!u.fahrenheit) return scaleLinear([low, high], [0, 1]).ticks(count)
  const own = [low * 1.8 + 32, high * 1.8 + 32]
  return scaleLinear(own, [0, 1])
    .ticks(count)
    .map((t) => (t - 32) / 1.8)
}
