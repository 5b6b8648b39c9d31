import type { Views } from '@/shared/api/client'
import { clock, day, energyOf, powerOf, sensible, toOwn } from '@/shared/units'

type Loop = Views['LoopView']

const minutes = (seconds: number) => `${Math.max(1, Math.round(seconds / 60))} min`

/** What a stream does now and since when, in a sentence or two. */
export function loopSentences(l: Loop, zone: string): string[] {
  const since =
    l.turnedAt == null
      ? ''
      : ` since ${day(l.turnedAt, zone)} ${clock(l.turnedAt, zone)}` +
        ((l.turnedHalf ?? 0) > 240 ? ` ± ${minutes(l.turnedHalf!)}` : '')
  const said: string[] = []
  if (l.stoodSince != null)
    said.push(
      `Its pump stands since ${day(l.stoodSince, zone)} ${clock(l.stoodSince, zone)}, as it was logged.`,
    )
  else if (l.emptying)
    said.push(
      `Its loop has been emptying it${since}: what comes back is warmer than what goes in, ${powerOf(-l.wattsNow)} at last. Stop the pump or shut the valve.`,
    )
  else if (l.direction === 'CHARGING') said.push(`Its loop brings ${powerOf(l.wattsNow)}${since}.`)
  else if (l.direction === 'DRAWING')
    said.push(`Its loop carries off ${powerOf(-l.wattsNow)}${since}.`)
  else said.push('Its loop stands still, or in and out are too alike to tell.')
  const sums = [
    l.charged > 1e5 ? `brought ${energy(l.charged, l.chargedHalf)}` : '',
    l.drawn > 1e5 ? `carried off ${energy(l.drawn, l.drawnHalf)}` : '',
  ].filter(Boolean)
  if (sums.length) said.push(`In this time it ${sums.join(' and ')}.`)
  return said
}

const energy = (joules: number, half: number) =>
  `${energyOf(joules)} ± ${sensible(toOwn(half, 'energy'))}`
