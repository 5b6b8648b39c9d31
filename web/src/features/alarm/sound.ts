import { ref, watch } from 'vue'

/** Whether an alarm is heard where a page is open. */
export const soundOn = ref(localStorage.getItem('alarm-sound') !== 'off')
watch(soundOn, (on) => localStorage.setItem('alarm-sound', on ? 'on' : 'off'))

/** Three rising tones. */
export function ring() {
  if (!soundOn.value || !('AudioContext' in window)) return
  const audio = new AudioContext()
  ;[440, 587, 784].forEach((pitch, i) => {
    const tone = audio.createOscillator()
    const loud = audio.createGain()
    const at = audio.currentTime + i * 0.28
    tone.frequency.value = pitch
    loud.gain.setValueAtTime(0.0001, at)
    loud.gain.exponentialRampToValueAtTime(0.3, at + 0.03)
    loud.gain.exponentialRampToValueAtTime(0.0001, at + 0.25)
    tone.connect(loud).connect(audio.destination)
    tone.start(at)
    tone.stop(at + 0.26)
  })
  window.setTimeout(() => void audio.close(), 1500)
}
