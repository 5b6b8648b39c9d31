import { onBeforeUnmount, onMounted, ref, type Ref } from 'vue'

/** How wide what is drawn on is, from the first painting on. */
export function useWidth(root: Ref<Element | null>, expected: number, least = 0) {
  const width = ref(expected)
  let observer: ResizeObserver | null = null
  const take = (wide: number) => {
    if (wide) width.value = Math.max(least, wide)
  }
  onMounted(() => {
    observer = new ResizeObserver(([e]) => take(e.contentRect.width))
    if (!root.value) return
    take(root.value.clientWidth)
    observer.observe(root.value)
  })
  onBeforeUnmount(() => observer?.disconnect())
  return width
}
