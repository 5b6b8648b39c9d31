<script setup lang="ts">
/** Who is warned of what, and when nobody is; what is wrong now and what was. */
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { BButton, BFormInput } from 'bootstrap-vue-next'
import { computed, onBeforeUnmount, reactive, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api, whole, type Views } from '@/shared/api/client'
import ProblemNote from '@/shared/ProblemNote.vue'
import { useSession } from '@/shared/session'
import { clock, day } from '@/shared/units'
import { useKeeping } from '@/shared/useKeeping'
import { newId } from '../store/designs'
import QuietBand from './QuietBand.vue'
import { alarmBookQuery, alarmsQuery, failedQuery } from './queries'
import { headline, kinds, kindWords } from './sentences'
import { ring, soundOn } from './sound'

type Book = Views['AlarmBook']
const SETTLE_MS = 700
const session = useSession()
const client = useQueryClient()
const holding = String(useRoute().params.holding)
const zone = computed(() => session.zone(holding))
const keeper = computed(() => session.role(holding) === 'KEEPER')
const { data: alarms } = useQuery(alarmsQuery(holding))
const { data: loaded } = useQuery({ ...alarmBookQuery(holding), enabled: keeper })
const { data: failed } = useQuery({ ...failedQuery(holding), enabled: keeper })
const book = reactive<Book>({
  on: false,
  quietFrom: '22:30',
  quietTo: '06:00',
  againMinutes: 30,
  recipients: [],
})
const etag = ref('')
const ready = ref(false)
/** Who has no address yet is still being typed. */
const reachable = (r: Book['recipients'][number]) => !!(r.mail?.trim() || r.hook?.trim())
const text = () => JSON.stringify({ ...book, recipients: book.recipients.filter(reachable) })
const { state, error, take, changed } = useKeeping(text, save, SETTLE_MS)

watch(
  loaded,
  (l) => {
    if (!l || ready.value) return
    Object.assign(book, JSON.parse(JSON.stringify(l.data.book)))
    etag.value = l.etag
    take(text())
    ready.value = true
  },
  { immediate: true },
)
const stop = watch(book, () => ready.value && changed())
onBeforeUnmount(stop)

async function save(now: string) {
  const kept = await whole(
    api.PUT('/api/holdings/{holdingId}/alarm-book', {
      params: { path: { holdingId: holding }, header: { 'If-Match': etag.value } },
      body: JSON.parse(now) as Book,
    }),
  )
  etag.value = kept.etag
  for (const r of book.recipients)
    r.secret ??= kept.data.book.recipients.find((k) => k.id === r.id)?.secret ?? r.secret
  take(text())
  await client.invalidateQueries({ queryKey: alarmsQuery(holding).queryKey })
}

function addOne() {
  book.on = true
  book.recipients.push({
    id: newId(),
    name: session.me?.person?.name ?? '',
    mail: null,
    hook: null,
    secret: null,
    fahrenheit: session.units.fahrenheit,
    kinds: [...kinds],
  } as unknown as Book['recipients'][number])
}
const toggle = (r: Book['recipients'][number], k: (typeof kinds)[number]) =>
  (r.kinds = r.kinds.includes(k) ? r.kinds.filter((x) => x !== k) : [...r.kinds, k])

const wrong = computed(() => (alarms.value ?? []).filter((a) => !a.over))
const was = computed(() => (alarms.value ?? []).filter((a) => a.over).slice(0, 12))
const verdict = computed(() => {
  if (keeper.value && ready.value && !book.on) return 'Nobody is warned of anything yet'
  if (!wrong.value.length) return 'Nothing is wrong'
  return wrong.value.length === 1 ? 'One thing is wrong' : `${wrong.value.length} things are wrong`
})
const when = (iso: string) => {
  const at = Date.parse(iso) / 1000
  return `${day(at, zone.value)} ${clock(at, zone.value)}`
}
const marks = computed(() =>
  (alarms.value ?? []).slice(0, 8).map((a) => {
    const [h, m] = clock(Date.parse(a.since) / 1000, zone.value)
      .split(':')
      .map(Number)
    return { hour: h + m / 60, word: headline(a, session.units, zone.value) }
  }),
)
const nameOf = (id: string) => book.recipients.find((r) => r.id === id)?.name ?? 'somebody'
</script>

<template>
  <h1 :class="{ ill: wrong.length > 0 }">{{ verdict }}</h1>
  <ul v-if="wrong.length" class="list">
    <li v-for="a in wrong" :key="a.id">
      <b>{{ headline(a, session.units, zone) }}</b>
      <span class="soft">
        since {{ when(a.since) }}; told {{ a.told === 1 ? 'once' : `${a.told} times`
        }}{{ a.seenAt ? `; seen ${a.seenBy}, ${when(a.seenAt)}` : '; not seen yet' }}</span
      >
    </li>
  </ul>

  <section aria-labelledby="quiet-h">
    <h2 id="quiet-h">When nobody is woken for what can wait</h2>
    <QuietBand :from="book.quietFrom" :to="book.quietTo" :marks="marks" />
    <div v-if="keeper" class="row-of">
      <label>Quiet from <input v-model="book.quietFrom" type="time" class="form-control" /></label>
      <label>to <input v-model="book.quietTo" type="time" class="form-control" /></label>
      <label
        >Told again every
        <select v-model.number="book.againMinutes" class="form-select">
          <option v-for="m in [10, 15, 30, 60, 120]" :key="m" :value="m">{{ m }} minutes</option>
        </select></label
      >
      <span class="soft">until somebody has seen it</span>
    </div>
    <p class="soft">
      Air at its limit, a part too hot, and a lost night that must be seen to before the quiet hours
      end wake all the same.
    </p>
    <p class="row-of">
      <label
        ><input v-model="soundOn" type="checkbox" /> Heard on this device while a page is
        open</label
      >
      <BButton size="sm" variant="secondary" @click="ring">Hear it</BButton>
    </p>
  </section>

  <section v-if="keeper" aria-labelledby="who-h">
    <h2 id="who-h">Who is told</h2>
    <label class="switch">
      <input v-model="book.on" type="checkbox" /> Look after this place: at every reading, and every
      quarter of an hour
    </label>
    <div v-for="r in book.recipients" :key="r.id" class="one">
      <div class="row-of">
        <label>Name <BFormInput v-model="r.name" maxlength="80" /></label>
        <label>E-mail <BFormInput v-model="r.mail" type="email" placeholder="none" /></label>
        <label>Web address <BFormInput v-model="r.hook" type="url" placeholder="none" /></label>
        <BButton
          size="sm"
          variant="secondary"
          :aria-label="`Tell ${r.name} no more`"
          @click="book.recipients.splice(book.recipients.indexOf(r), 1)"
          >Take out</BButton
        >
      </div>
      <fieldset>
        <legend>hears of</legend>
        <label v-for="k in kinds" :key="k">
          <input type="checkbox" :checked="r.kinds.includes(k)" @change="toggle(r, k)" />
          {{ kindWords[k] }}
        </label>
        <label><input v-model="r.fahrenheit" type="checkbox" /> in °F</label>
      </fieldset>
      <p v-if="r.hook && r.secret" class="soft">
        What is posted is signed (Nightbank-Signature: HMAC-SHA-256) by the secret
        <code>{{ r.secret }}</code>
      </p>
    </div>
    <p class="row-of">
      <BButton variant="secondary" @click="addOne">Add one</BButton>
      <span class="soft" role="status">{{
        state === 'kept' ? 'Kept' : state === 'changing' ? 'Being kept …' : 'Not kept'
      }}</span>
    </p>
    <ProblemNote v-if="error" :error="error" />
    <p v-for="f in failed" :key="f.recipient + f.way" class="problem">
      {{ f.way === 'MAIL' ? 'A letter' : 'A post' }} to {{ nameOf(f.recipient) }} did not go out:
      {{ f.problem }}. It is tried again ten times.
    </p>
  </section>

  <section v-if="was.length" aria-labelledby="was-h">
    <h2 id="was-h">What was</h2>
    <table class="ledger">
      <tbody>
        <tr v-for="a in was" :key="a.id">
          <th scope="row">{{ when(a.since) }}</th>
          <td>{{ headline(a, session.units, zone) }}</td>
          <td>over {{ when(a.over!) }}{{ a.seenAt ? `; seen ${a.seenBy}` : '' }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
h1.ill {
  color: var(--ember);
}

.row-of {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 1rem;
  align-items: end;
}

.row-of + p {
  margin-top: 0.75rem;
}

.one {
  border-top: 1px solid var(--line);
  padding: 0.75rem 0;
}

fieldset {
  display: flex;
  flex-wrap: wrap;
  gap: 0 1.25rem;
}

fieldset legend {
  font-size: 1rem;
  margin: 0.5rem 0 0;
}

fieldset label,
.switch {
  display: flex;
  gap: 0.5rem;
  align-items: center;
  min-height: 44px;
}

.list .soft {
  display: block;
}
</style>
