import { describe, expect, it } from 'vitest'
import { feet } from './feet.fixture'
import { typedLoose, typedQuantity } from './typed'
import { SI, type Quantity, type Units } from './units'

describe('a mass of loose stuff', () => {
  it('is told by what it was carried in', () => {
    expect(typedLoose('2 barrows', 800)).toBe(140)
    expect(typedLoose('a barrow', 800)).toBe(72)
    expect(typedLoose('half a bag', 200)).toBe(5)
    expect(typedLoose('3 Buckets', 500)).toBe(18)
    expect(typedLoose('1,5 m³', 500)).toBe(750)
    expect(typedLoose('40 l', 500)).toBe(20)
  })
  it('is none in other words', () => {
    expect(typedLoose('two', 500)).toBeNaN()
    expect(typedLoose('4 lorries', 500)).toBeNaN()
    expect(typedLoose('', 500)).toBeNaN()
  })
})

describe('a typed quantity', () => {
  it.each<[string, Quantity, Units, number]>([
    ['200', 'mass', SI, 200],
    ['200', 'mass', feet, 90.718474],
    ['200 lb', 'mass', SI, 90.718474],
    ['4 lbs.', 'mass', SI, 1.81436948],
    ['90,5 KG', 'mass', feet, 90.5],
    ['1.2 t', 'mass', feet, 1200],
    ['3 tonnes', 'mass', SI, 3000],
    ['5 ft 3', 'length', SI, 1.6002],
    [`5' 3"`, 'length', SI, 1.6002],
    ['5 feet', 'length', SI, 1.524],
    ['62 cm', 'length', feet, 0.62],
    ['2', 'length', feet, 0.6096],
    ['10', 'thickness', SI, 0.1],
    ['4 in', 'thickness', SI, 0.1016],
    ['4', 'thickness', feet, 0.1016],
    ['100 mm', 'thickness', SI, 0.1],
    ['3 kWh', 'energy', feet, 1.08e7],
    ['3 kwh', 'energy', SI, 1.08e7],
    ['10 MJ', 'energy', SI, 1e7],
    ['640', 'power', SI, 640],
    ['2,5 kW', 'power', feet, 2500],
    ['2200 BTU/h', 'power', SI, 644.7564],
    ['10', 'volume', feet, 37.85411784],
    ['30 litres', 'volume', feet, 30],
    ['10 gal', 'volume', { ...feet, volume: 'IMP_GAL' }, 45.4609],
    ['100 sq ft', 'area', SI, 9.290304],
    ['3 m²', 'area', feet, 3],
    ['20', 'transmittance', feet, 0.28391],
    ['2', 'transmittance', { ...SI, insulation: 'R' }, 0.5],
  ])('%s as %s', (text, quantity, units, si) => {
    const read = typedQuantity(text, quantity, units)
    expect(Math.abs(read / si - 1)).toBeLessThan(1e-4)
  })
  it.each<[string, Quantity]>([
    ['', 'mass'],
    ['seven', 'mass'],
    ['3 kWh', 'mass'],
    ['5 lb', 'length'],
    ['12 parsnips', 'mass'],
  ])('%s is no %s', (text, quantity) => expect(typedQuantity(text, quantity, SI)).toBeNaN())
  it('is none for a resistance of nothing', () =>
    expect(typedQuantity('0', 'transmittance', feet)).toBeNaN())
})
