import { mount } from '@vue/test-utils'
import { createPinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { defineComponent } from 'vue'

const kept = vi.hoisted(() => new Map<string, unknown>())
const server = vi.hoisted(() => ({ GET: vi.fn(), POST: vi.fn() }))
const query = vi.hoisted(() => ({ house: 'lean-to' }))
vi.mock('@/shared/outbox', () => ({
  keep: async (key: string, value: unknown) => void kept.set(key, value),
  kept: async (key: string) => kept.get(key),
  sender: { value: null },
}))
vi.mock('vue-router', () => ({
  useRoute: () => ({ query }),
  useRouter: () => ({ replace: async () => {} }),
}))
vi.mock('@/shared/api/client', () => ({
  api: server,
  body: async <T>(answer: Promise<T>) => answer,
}))

import { reached } from '@/shared/answers'
import { useTonight } from './useTonight'

const never = () => new Promise(() => {})
const gone = async () => {
  throw new TypeError('no signal')
}
const night = (of: string) => ({ of, low: [1], high: [2], without: [], actions: [] })

async function open(house: string) {
  query.house = house
  let tonight!: ReturnType<typeof useTonight>
  const page = mount(
    defineComponent({
      setup() {
        tonight = useTonight('croft')
        return () => null
      },
    }),
    { global: { plugins: [createPinia()] } },
  )
  await vi.waitFor(() => expect(tonight.night.value).not.toBeNull())
  return { page, tonight }
}

beforeEach(() => {
  kept.clear()
  reached.value = true
})

describe('a night that was seen once', () => {
  it('is told again without signal, though one left before it was worked out anew', async () => {
    const at = new Date(Date.now() - 20 * 60_000).toISOString()
    server.GET.mockResolvedValue({ at, night: night('lean-to') })
    server.POST.mockImplementation(never)
    const seen = await open('lean-to')
    expect(seen.tonight.asKnown.value).toContain('20 min')
    seen.page.unmount()
    reached.value = false
    server.GET.mockImplementation(gone)
    server.POST.mockImplementation(gone)
    const again = await open('lean-to')
    expect(again.tonight.night.value).toEqual(night('lean-to'))
    expect(again.tonight.asKnown.value).toContain('20 min')
    again.page.unmount()
  })

  it('is kept for each house by itself', async () => {
    server.GET.mockImplementation(gone)
    for (const house of ['lean-to', 'tunnel']) {
      server.POST.mockResolvedValue(night(house))
      ;(await open(house)).page.unmount()
    }
    reached.value = false
    server.POST.mockImplementation(gone)
    for (const house of ['lean-to', 'tunnel']) {
      const { page, tonight } = await open(house)
      expect(tonight.night.value).toMatchObject({ of: house })
      page.unmount()
    }
  })
})
