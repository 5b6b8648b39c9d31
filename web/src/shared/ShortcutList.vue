<script setup lang="ts">
import { BModal } from 'bootstrap-vue-next'
import { shortcutsOn } from './keys'

const open = defineModel<boolean>({ default: false })
const keys = [
  ['t', 'Tonight'],
  ['r', 'A round'],
  ['o', 'Log'],
  ['s', 'Stores'],
  ['z', 'Sizing'],
  ['w', 'Two ways'],
  ['n', 'Nights, statement, trials'],
  ['l', 'Change the light: day, night, night eyes'],
  ['u', 'Your own units'],
  ['arrows', 'Move a handle or a cursor that has the focus; with Shift ten times as far'],
  ['+ and −', 'Closer and wider on a run’s chart'],
  ['Ctrl Z', 'Undo the last change of your own; with Shift make it again'],
  ['?', 'This list'],
]
</script>

<template>
  <BModal v-model="open" title="Keys" no-footer>
    <label class="switch">
      <input v-model="shortcutsOn" type="checkbox" /> Single letters go to pages
    </label>
    <table class="ledger">
      <tbody>
        <tr v-for="[k, what] in keys" :key="k">
          <th scope="row">
            <kbd>{{ k }}</kbd>
          </th>
          <td>{{ what }}</td>
        </tr>
      </tbody>
    </table>
  </BModal>
</template>

<style scoped>
.switch {
  display: flex;
  gap: 0.5rem;
  align-items: center;
  min-height: 48px;
}
</style>
