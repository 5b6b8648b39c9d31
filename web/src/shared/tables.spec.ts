import { beforeEach, describe, expect, it } from 'vitest'
import { pageRows, rowsOf } from './tables'

describe('the tables of a page', () => {
  beforeEach(() => {
    document.body.innerHTML = `<main><h1>Prices</h1>
      <table><caption>What things cost</caption><tr><th>Sand</th><td><input value="4.2" /></td>
        <td><select><option>kg</option><option selected>bag</option></select></td></tr></table>
      <details><summary>more</summary><table><tr><td>hidden</td></tr></table></details>
      <section><h2>To cut</h2><table><tr><th data-unit="mm">Long</th></tr><tr><td data-value="3">three</td></tr></table></section></main>`
  })
  const tables = () => [...document.querySelectorAll<HTMLElement>('table')]

  it('take what stands in fields', () =>
    expect(rowsOf(tables()[0])).toEqual([['Sand', '4.2', 'bag']]))
  it('come each under its title, closed ones left out', () =>
    expect(pageRows(tables())).toEqual([
      ['What things cost'],
      ['Sand', '4.2', 'bag'],
      [''],
      ['To cut'],
      ['Long, mm'],
      ['3'],
    ]))
})
