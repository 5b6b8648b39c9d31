/** Follows a finger or mouse from where it went down on a drawing, in the drawing's own units. */
export function drag(
  e: PointerEvent,
  move: (at: { x: number; y: number }) => void,
  end: () => void = () => {},
): void {
  e.preventDefault()
  const svg = (e.currentTarget as SVGElement).ownerSVGElement
  const go = (m: PointerEvent) => {
    const back = svg?.getScreenCTM()?.inverse()
    if (back) move({ x: m.clientX * back.a + back.e, y: m.clientY * back.d + back.f })
  }
  const letGo = () => {
    window.removeEventListener('pointermove', go)
    window.removeEventListener('pointerup', letGo)
    window.removeEventListener('pointercancel', letGo)
    end()
  }
  window.addEventListener('pointermove', go)
  window.addEventListener('pointerup', letGo)
  window.addEventListener('pointercancel', letGo)
}
