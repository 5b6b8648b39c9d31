import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import type { Design } from './designs'
import { insulationOf, mediaOf } from './media'
import { bookQuery, catalogueQuery } from './queries'

/** What can be filled and wrapped with here, and what a design is filled with, in words. */
export function useMaterials(holding: string, design: () => Design) {
  const { data: catalogue } = useQuery(catalogueQuery())
  const { data: book } = useQuery(bookQuery(holding))
  const insulation = computed(() => insulationOf(catalogue.value, book.value?.data.book))
  const media = computed(() => mediaOf(catalogue.value, book.value?.data.book))
  const named = (id: string | null) => media.value.find((m) => m.id === id)?.name.toLowerCase()
  const fillNames = computed(() => (design().fills ?? []).map((f) => named(f.medium) ?? 'hollow'))
  const filled = computed(() =>
    [
      ...new Set([named(design().medium) ?? '', ...fillNames.value.filter((n) => n !== 'hollow')]),
    ].join(' and '),
  )
  return { insulation, media, fillNames, filled }
}
