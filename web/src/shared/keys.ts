import { ref, watch } from 'vue'

/** Whether single letters go to pages; those who speak to their machine, or rest a hand on it, switch it off. */
export const shortcutsOn = ref(localStorage.getItem('keys') !== 'off')
watch(shortcutsOn, (on) => localStorage.setItem('keys', on ? 'on' : 'off'))
