import { at } from '@/shared/at'
import { token } from './api/client'
import { save } from './download'

/** What a cell says: its figure (SI, its head names the unit), what stands in its fields, or its words. */
function cell(c: HTMLElement): string {
  if (c.dataset.value != null) return c.dataset.value
  const unit = c.dataset.unit ? `, ${c.dataset.unit}` : ''
  const field = c.querySelector<HTMLInputElement | HTMLSelectElement>('input, select, textarea')
  if (field instanceof HTMLSelectElement) return field.selectedOptions[0]?.textContent?.trim() ?? ''
  return field ? field.value : (c.textContent ?? '').trim().replace(/\s+/g, ' ') + unit
}

/** A table's rows as they are shown. */
export const rowsOf = (root: ParentNode): string[][] =>
  [...root.querySelectorAll('tr')].map((row) =>
    [...row.querySelectorAll<HTMLElement>('th, td')].map(cell),
  )

/** Its caption, or the heading it stands under. */
function titleOf(table: HTMLElement): string {
  const own =
    table.querySelector('caption') ?? table.closest('section, main')?.querySelector('h2, h1')
  return (own?.textContent ?? '').trim().replace(/\s+/g, ' ')
}

/** All tables that are open, each under its own title. */
export function pageRows(tables: HTMLElement[]): string[][] {
  const open = tables.filter((t) => !t.closest('details:not([open])'))
  return open.flatMap((t, i) => {
    const title = titleOf(t)
    return [...(i ? [['']] : []), ...(title ? [[title]] : []), ...rowsOf(t)]
  })
}

/** Makes a file of rows and hands it to the person; throws when it could not be made. */
export async function handTable(kind: 'csv' | 'xlsx', name: string, rows: string[][]) {
  const answer = await fetch(at(`/api/tables/${kind}`), {
    method: 'POST',
    headers: {
      'Content-Type': 'application/json',
      'X-XSRF-TOKEN': decodeURIComponent(token() ?? ''),
    },
    body: JSON.stringify({ name, rows }),
  })
  if (!answer.ok) throw new Error()
  save(await answer.blob(), `${name}.${kind}`)
}
