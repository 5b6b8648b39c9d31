import type { Views } from '@/shared/api/client'

export type UsualName = Views['UsualView']['of']

/** What the catalogue takes where nobody says otherwise, in SI. */
export function usualOf(catalogue: Views['CatalogueView'] | undefined, name: UsualName): number {
  const found = catalogue?.usual.find((u) => u.of === name)
  if (!found) throw new Error(`${name} is not in the catalogue yet`)
  return found.value
}
