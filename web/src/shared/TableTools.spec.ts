import { flushPromises, mount } from '@vue/test-utils'
import { afterEach, describe, expect, it, vi } from 'vitest'
import * as download from './download'
import TableTools from './TableTools.vue'

const table = `<table><thead><tr><th>Evening</th><th>Low</th></tr></thead>
<tbody><tr><th data-value="2026-01-20">Tue 20 January</th><td data-value="-1.72">−1.7 °C</td></tr>
<tr><th>two
   lines</th><td></td></tr></tbody></table>`
const tools = () => mount(TableTools, { props: { name: 'nights' }, slots: { default: table } })

describe('a table handed out', () => {
  afterEach(() => {
    vi.restoreAllMocks()
    vi.unstubAllGlobals()
  })

  it('sends figures as they are and words as shown', async () => {
    const asked = vi.fn<(url: string, init: RequestInit) => Promise<Response>>(() =>
      Promise.resolve(new Response('x')),
    )
    vi.stubGlobal('fetch', asked)
    const saved = vi.spyOn(download, 'save').mockImplementation(() => {})
    await tools().findAll('button')[1].trigger('click')
    await flushPromises()
    expect(asked.mock.calls[0][0]).toBe('/api/tables/xlsx')
    expect(JSON.parse(String(asked.mock.calls[0][1].body))).toEqual({
      name: 'nights',
      rows: [
        ['Evening', 'Low'],
        ['2026-01-20', '-1.72'],
        ['two lines', ''],
      ],
    })
    expect(saved.mock.calls[0][1]).toBe('nights.xlsx')
  })
  it('says so when it could not be made, and saves nothing', async () => {
    vi.stubGlobal('fetch', () => Promise.resolve(new Response(null, { status: 503 })))
    const saved = vi.spyOn(download, 'save').mockImplementation(() => {})
    const w = tools()
    await w.findAll('button')[0].trigger('click')
    await flushPromises()
    expect(w.find('[role=alert]').text()).toContain('try again')
    expect(saved).not.toHaveBeenCalled()
  })
})
