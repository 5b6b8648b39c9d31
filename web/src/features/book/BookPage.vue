<script setup lang="ts">
/** What things cost here, and media that only this holding has. */
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { BButton, BFormInput, BFormSelect } from 'bootstrap-vue-next'
import { computed, reactive, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api, whole, type Views } from '@/shared/api/client'
import NumberField from '@/shared/NumberField.vue'
import ProblemNote from '@/shared/ProblemNote.vue'
import { useSession } from '@/shared/session'
import { measure, type Quantity } from '@/shared/units'
import { useKeeping } from '@/shared/useKeeping'
import { bookQuery, catalogueQuery } from '../store/queries'
import MediaTables from './MediaTables.vue'
import { offered } from './offered'
import { freeId, kinds, type Own } from './own'
import OwnThings from './OwnThings.vue'

type Book = Views['Book']

const session = useSession()
const client = useQueryClient()
const holding = String(useRoute().params.holding)
const { data: loaded } = useQuery(bookQuery(holding))
const { data: catalogue } = useQuery(catalogueQuery())
const keeper = computed(() => session.role(holding) === 'KEEPER')
const book = reactive<Book>({
  currency: '',
  prices: [],
  media: [],
  insulation: [],
  feedstocks: [],
})
const ready = ref(false)
let etag = ''
const { state, error, take, changed, settled, changedMeanwhile } = useKeeping(
  () => JSON.stringify(book),
  save,
  600,
)

function renew() {
  const l = loaded.value
  if (!l || state.value !== 'kept' || l.etag === etag) return
  etag = l.etag
  Object.assign(book, JSON.parse(JSON.stringify(l.data.book)))
  take(JSON.stringify(book))
  ready.value = true
}
watch(loaded, renew, { immediate: true })

async function save(text: string) {
  const answer = await whole(
    api.PUT('/api/holdings/{holdingId}/book', {
      params: { path: { holdingId: holding }, header: { 'If-Match': etag } },
      body: JSON.parse(text),
    }),
  )
  etag = answer.etag
  client.setQueryData(['holding', holding, 'book'], answer)
  void client.invalidateQueries({ queryKey: ['holding', holding, 'stores'] })
  void client.invalidateQueries({ queryKey: ['holding', holding, 'store'] })
}

watch(
  () => JSON.stringify(book),
  () => ready.value && changed(),
)

async function reload() {
  settled()
  etag = ''
  await client.invalidateQueries({ queryKey: ['holding', holding, 'book'] })
  renew() // it may have been loaded before, and left aside while there was something to keep
}

const things = computed(() => offered(catalogue.value, book))
const nameOf = (id: string) => things.value.find((t) => t.value === id)?.text ?? id
const free = computed(() => things.value.filter((t) => !book.prices.some((p) => p.of === t.value)))
/** Packs are told in units of one's own; a kilogram's price is one of so many pounds. */
const quantities: Record<string, Quantity> = {
  KILOGRAM: 'mass',
  LITRE: 'volume',
  SQUARE_METRE: 'area',
  METRE: 'length',
}
const units = [
  ...Object.entries(quantities).map(([value, q]) => ({ value, text: measure(q).symbol })),
  { value: 'KILOWATT_HOUR', text: 'kWh' },
  { value: 'PIECE', text: 'piece' },
]
const adding = ref<string | null>(null)

function price(id: unknown) {
  const t = things.value.find((x) => x.value === id)
  if (!t) return
  book.prices.push({ of: t.value, pack: t.pack, amount: t.amount, unit: t.unit, price: 0 })
  adding.value = null
}

const add = (of: (typeof kinds)[number]) => (book[of.kind] as Own[]).push(of.fresh(freeId(book)))
</script>

<template>
  <template v-if="ready">
    <div class="head">
      <h1>What things cost here</h1>
      <span class="soft" role="status">{{
        { kept: 'Kept', changing: 'Keeping …', refused: 'Not kept' }[state]
      }}</span>
    </div>
    <p class="soft">
      Yours alone: sizing and build sheets reckon with it. What has no price is said to have none.
    </p>
    <ProblemNote v-if="error" :error="error" />
    <BButton v-if="changedMeanwhile" variant="secondary" @click="reload"
      >Load the newer one</BButton
    >
    <fieldset :disabled="!keeper">
      <div class="money">
        <label for="currency">Money</label>
        <BFormInput id="currency" v-model="book.currency" maxlength="8" placeholder="sign" />
      </div>
      <table class="ledger prices">
        <thead>
          <tr>
            <th scope="col">What</th>
            <th scope="col">Sold as</th>
            <th scope="col">Holds</th>
            <th scope="col">of</th>
            <th scope="col">Price</th>
            <td />
          </tr>
        </thead>
        <tbody>
          <tr v-for="(p, i) in book.prices" :key="p.of">
            <th scope="row">{{ nameOf(p.of) }}</th>
            <td>
              <BFormInput v-model="p.pack" :aria-label="`${nameOf(p.of)}: sold as`" />
            </td>
            <td class="hold">
              <NumberField v-model="p.amount" label="Holds" :quantity="quantities[p.unit]" />
            </td>
            <td>
              <BFormSelect
                v-model="p.unit"
                :options="units"
                :aria-label="`${nameOf(p.of)}: unit`"
              />
            </td>
            <td class="hold"><NumberField v-model="p.price" label="Price" /></td>
            <td>
              <BButton
                size="sm"
                variant="secondary"
                :aria-label="`Take the price of ${nameOf(p.of)} out`"
                @click="book.prices.splice(i, 1)"
                >×</BButton
              >
            </td>
          </tr>
        </tbody>
      </table>
      <div v-if="keeper" class="money">
        <label for="add">Price something more</label>
        <BFormSelect
          id="add"
          :model-value="adding"
          :options="[{ value: null, text: 'choose' }, ...free]"
          @update:model-value="price"
        />
      </div>
      <OwnThings
        v-for="k in kinds"
        :key="k.kind"
        :of="k"
        :list="book[k.kind]"
        :units="session.units"
        :editable="keeper"
        @add="add(k)"
        @remove="book[k.kind].splice($event, 1)"
      />
    </fieldset>
    <MediaTables :units="session.units" />
  </template>
</template>

<style scoped>
.head {
  display: flex;
  gap: 1rem;
  align-items: baseline;
}

.money {
  display: flex;
  gap: 0.75rem;
  align-items: center;
  margin: 0.75rem 0;
  max-width: 420px;
}

.prices th[scope='row'] {
  min-width: 130px;
  vertical-align: middle;
}

.hold :deep(label) {
  position: absolute;
  clip-path: inset(50%);
  width: 1px;
  overflow: hidden;
}

.hold {
  max-width: 110px;
}

@media (max-width: 700px) {
  .prices thead {
    display: none;
  }

  .prices tr {
    display: grid;
    grid-template-columns: 1fr 1fr 1fr;
  }

  .prices th[scope='row'] {
    grid-column: 1 / -1;
  }
}
</style>
