import type { Views } from '@/shared/api/client'

/** Something that can be priced, with the pack it is usually sold in. */
export interface Offered {
  value: string
  text: string
  pack: string
  amount: number
  unit: Views['Price']['unit']
}

/** Everything a build may need: fills, layers, parts, and the holding's own. */
export function offered(
  catalogue: Views['CatalogueView'] | undefined,
  own: Pick<Views['Book'], 'media' | 'insulation'>,
): Offered[] {
  if (!catalogue) return []
  const fill = (id: string, text: string): Offered => ({
    value: id,
    text,
    pack: id === 'water' ? 'tap' : 'bag',
    amount: id === 'water' ? 1000 : 25,
    unit: id === 'water' ? 'LITRE' : 'KILOGRAM',
  })
  return [
    { value: 'firewood', text: 'Firewood', pack: 'net', amount: 20, unit: 'KILOGRAM' },
    { value: 'electricity', text: 'Electricity', pack: 'unit', amount: 1, unit: 'KILOWATT_HOUR' },
    ...catalogue.fuels.map((f): Offered => ({
      value: f.id,
      text: f.name,
      pack: 'pack',
      amount: 1,
      unit: 'KILOGRAM',
    })),
    ...catalogue.media.map((m) => fill(m.id, m.name)),
    ...own.media.map((m) => fill(m.id, m.name)),
    ...[...catalogue.insulation, ...own.insulation].map((m): Offered => ({
      value: m.id,
      text: m.name,
      pack: 'square metre',
      amount: 1,
      unit: 'SQUARE_METRE',
    })),
    { value: 'foil', text: 'Foil', pack: 'roll', amount: 10, unit: 'SQUARE_METRE' },
    {
      value: 'draught-strip',
      text: 'Draught strip',
      pack: 'roll',
      amount: 5,
      unit: 'METRE',
    },
    {
      value: 'inner-film',
      text: 'Film to hang inside',
      pack: 'roll',
      amount: 50,
      unit: 'SQUARE_METRE',
    },
    { value: 'night-screen', text: 'Night screen', pack: 'roll', amount: 20, unit: 'SQUARE_METRE' },
    { value: 'fleece', text: 'Fleece', pack: 'roll', amount: 20, unit: 'SQUARE_METRE' },
    { value: 'element', text: 'Heating element', pack: 'piece', amount: 1, unit: 'PIECE' },
    { value: 'pump', text: 'Circulating pump', pack: 'piece', amount: 1, unit: 'PIECE' },
    ...catalogue.parts
      .filter((p) => p.kind !== 'GLUE')
      .map((p): Offered => ({
        value: p.id,
        text: p.name,
        pack: p.kind === 'PIPE' ? 'coil' : 'piece',
        amount: p.kind === 'PIPE' ? 25 : 1,
        unit: p.kind === 'PIPE' ? 'METRE' : 'PIECE',
      })),
  ]
}
