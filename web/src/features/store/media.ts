import type { Views } from '@/shared/api/client'

/** What a grower can choose a medium from: the table's, then the holding's own. */
export interface MediumChoice {
  id: string
  name: string
  source: string
  density: number
  specificHeat: number
  conductivity: number
}

export function mediaOf(
  catalogue: Views['CatalogueView'] | undefined,
  book: Views['Book'] | undefined,
): MediumChoice[] {
  const table = (catalogue?.media ?? []).map((m) => ({
    id: m.id,
    name: m.name,
    source: m.source,
    density: m.density.value,
    specificHeat: m.specificHeat.value,
    conductivity: m.conductivity.value,
  }))
  const own = (book?.media ?? []).map((m) => ({
    id: m.id,
    name: m.name,
    source: m.note || 'your own',
    density: m.density,
    specificHeat: m.specificHeat,
    conductivity: m.conductivity,
  }))
  return [...table, ...own]
}

/** What a face can be wrapped in: the table's, then the holding's own. */
export const insulationOf = (
  catalogue: Views['CatalogueView'] | undefined,
  book: Views['Book'] | undefined,
): { id: string; name: string }[] => [...(catalogue?.insulation ?? []), ...(book?.insulation ?? [])]

/** What a heap can be fed with: the table's, then the holding's own. */
export const feedstocksOf = (
  catalogue: Views['CatalogueView'] | undefined,
  book: Views['Book'] | undefined,
): { id: string; name: string; density: number }[] => [
  ...(catalogue?.feedstocks ?? []),
  ...(book?.feedstocks ?? []),
]
