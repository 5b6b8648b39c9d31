import { mount } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { defineComponent } from 'vue'
import { useLive } from './live'

class FakeSource {
  static open: FakeSource[] = []
  closed = false
  private heard: (e: { data: string }) => void = () => {}
  constructor(readonly url: string) {
    FakeSource.open.push(this)
  }
  addEventListener(_: string, f: (e: { data: string }) => void) {
    this.heard = f
  }
  say(...probes: string[]) {
    this.heard({ data: JSON.stringify({ probes }) })
  }
  close() {
    this.closed = true
  }
}

const pages: { unmount(): void }[] = []

function page(came: () => void) {
  const w = mount(
    defineComponent({
      setup() {
        useLive('h', () => ['a', 'b'], came)
        return () => null
      },
    }),
  )
  pages.push(w)
  return w
}

describe('a page that listens', () => {
  beforeEach(() => {
    vi.useFakeTimers()
    FakeSource.open = []
    vi.stubGlobal('EventSource', FakeSource)
  })
  afterEach(() => {
    pages.splice(0).forEach((w) => w.unmount())
    vi.useRealTimers()
    vi.unstubAllGlobals()
  })

  it('looks once for readings that come fast', () => {
    const came = vi.fn()
    page(came)
    const source = FakeSource.open[0]
    expect(source.url).toBe('/api/holdings/h/live')
    source.say('a')
    source.say('b')
    source.say('a')
    vi.advanceTimersByTime(5000)
    expect(came).toHaveBeenCalledTimes(1)
    source.say('b')
    vi.advanceTimersByTime(5000)
    expect(came).toHaveBeenCalledTimes(2)
  })
  it('leaves alone what it does not show', () => {
    const came = vi.fn()
    page(came)
    FakeSource.open[0].say('elsewhere')
    vi.advanceTimersByTime(5000)
    expect(came).not.toHaveBeenCalled()
  })
  it('stops listening when it is left, and what was about to come does not', () => {
    const came = vi.fn()
    const w = page(came)
    FakeSource.open[0].say('a')
    w.unmount()
    vi.advanceTimersByTime(5000)
    expect(FakeSource.open[0].closed).toBe(true)
    expect(came).not.toHaveBeenCalled()
  })
  it('gives its line back while the browser only keeps it to go back to', () => {
    const w = page(vi.fn())
    window.dispatchEvent(new Event('pagehide'))
    expect(FakeSource.open[0].closed).toBe(true)
    window.dispatchEvent(new Event('pageshow'))
    expect(FakeSource.open).toHaveLength(2)
    window.dispatchEvent(new Event('pageshow'))
    expect(FakeSource.open, 'one line at a time').toHaveLength(2)
    w.unmount()
    window.dispatchEvent(new Event('pageshow'))
    expect(FakeSource.open, 'it is gone').toHaveLength(2)
  })
})
