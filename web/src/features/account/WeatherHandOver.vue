<script setup lang="ts">
import { ref } from 'vue'
import { useSession } from '@/shared/session'
import { clock, day } from '@/shared/units'
import { upload, type Views } from '@/shared/api/client'
import ProblemNote from '@/shared/ProblemNote.vue'

/** Hourly weather from a file, for places that no forecast reaches. */
const props = defineProps<{ holding: string }>()
const session = useSession()
const error = ref<unknown>(null)
const read = ref<Views['Read'] | null>(null)

async function hand(list: FileList | null) {
  const f = list?.[0]
  if (!f) return
  error.value = null
  read.value = null
  try {
    read.value = await upload<Views['Read']>(`/api/holdings/${props.holding}/weather`, f)
  } catch (e) {
    error.value = e
  }
}
const when = (iso: string) => {
  const s = Date.parse(iso) / 1000
  return `${day(s, session.zone(props.holding))} ${clock(s, session.zone(props.holding))}`
}
</script>

<template>
  <section class="mt-4" aria-labelledby="weather-h">
    <h2 id="weather-h">Weather by file</h2>
    <p class="soft">
      Rows with a time and the temperature outdoors; wind, cloud and dew point if you have them. It
      counts before the forecast for the hours that it tells.
    </p>
    <label class="form-label" for="w-file">Hourly weather, any text table</label>
    <input
      id="w-file"
      type="file"
      class="form-control"
      @change="hand(($event.target as HTMLInputElement).files)"
    />
    <ProblemNote v-if="error" :error="error" />
    <p v-if="read" role="status" class="mt-2">
      {{ read.hours.length }} hours taken, {{ when(read.from) }} to {{ when(read.to) }};
      {{ read.columns.join(', ')
      }}<template v-if="read.leftOut">; {{ read.leftOut }} rows left out</template>.
    </p>
  </section>
</template>
