import { ref } from 'vue'

interface Offer extends Event {
  prompt(): Promise<void>
}

/** Puts the program on the home screen, where the browser offers that; null where it does not or it is there. */
export const install = ref<(() => Promise<void>) | null>(null)

window.addEventListener('beforeinstallprompt', (e) => {
  e.preventDefault()
  install.value = () => (e as Offer).prompt()
})
window.addEventListener('appinstalled', () => (install.value = null))
