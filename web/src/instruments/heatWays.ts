import type { Views } from '@/shared/api/client'

export type Ways = Pick<
  Views['LossView'],
  'watts' | 'convectionWatts' | 'longWaveWatts' | 'throughWatts' | 'dewWatts'
>

export const wayWords = {
  air: 'by the air that touches it',
  waves: 'by long waves from inside',
  through: 'straight through, to the sky',
  dew: 'by what condenses on it',
} as const
export type Way = keyof typeof wayWords

/** Ways that carry at least a hundredth, as shares of the arrow; what works against it is left out. */
export function heatWays(l: Ways): { key: Way; share: number; watts: number }[] {
  const sign = l.watts < 0 ? -1 : 1
  const all: [Way, number][] = [
    ['air', l.convectionWatts],
    ['waves', l.longWaveWatts],
    ['through', l.throughWatts],
    ['dew', l.dewWatts],
  ]
  const along = all.filter(([, w]) => w * sign > 0)
  const sum = along.reduce((s, [, w]) => s + Math.abs(w), 0)
  if (sum === 0) return [{ key: 'air', share: 1, watts: l.watts }]
  return along
    .filter(([, w]) => Math.abs(w) >= 0.01 * sum)
    .map(([key, w]) => ({ key, watts: w, share: Math.abs(w) / sum }))
}
