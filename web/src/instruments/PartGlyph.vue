<script setup lang="ts">
/** A small sign of a part or of a circuit's end, about a point. */
defineProps<{ kind: string; x: number; y: number }>()
const signs: Record<string, string> = {
  FIRE: 'M0 10 C-9 6 -8 -2 -3 -6 C-3 -3 -1 -2 0 -1 C1 -6 0 -9 -1 -11 C6 -8 11 0 7 6 C6 8 3 10 0 10',
  FLAMES: 'M-7 8 V0 M-7 -3 l0 -4 M0 8 V-2 M0 -5 l0 -4 M7 8 V0 M7 -3 l0 -4 M-10 8 H10',
  HEATER: 'M-8 8 V-2 H8 V8 Z M-5 -5 q2 -2 0 -5 M0 -5 q2 -2 0 -5 M5 -5 q2 -2 0 -5',
  ELEMENT: 'M-11 0 H-8 L-6 -6 L-2 6 L2 -6 L6 6 L8 0 H11',
  SUNLIGHT:
    'M-5 0 A5 5 0 1 1 5 0 A5 5 0 1 1 -5 0 M0 -8 V-11 M0 8 V11 M-8 0 H-11 M8 0 H11 M6 -6 l2 -2 M-6 -6 l-2 -2 M6 6 l2 2 M-6 6 l-2 2',
  HEAP: 'M-11 7 C-7 -3 -4 -7 0 -7 C4 -7 7 -3 11 7 Z M-4 3 h1 M1 -1 h1 M4 4 h1',
  CIRCUIT:
    'M-9 -3 A9 9 0 0 1 8 -4 M8 -4 l-5 0 M8 -4 l1 -5 M9 3 A9 9 0 0 1 -8 4 M-8 4 l5 0 M-8 4 l-1 5',
  HEAT_PUMP: 'M-8 6 L0 -8 L8 6 M-4 7 H4 M0 7 V0',
  ANIMALS:
    'M-9 3 C-9 -5 -1 -3 2 -6 C3 -10 8 -10 8 -6 L11 -5 L8 -4 C8 4 3 7 -1 7 C-5 7 -9 6 -9 3 M-2 7 V11 M2 7 V11 M-9 1 l-3 -4',
  RADIATOR: 'M-10 8 V-8 M-5 8 V-8 M0 8 V-8 M5 8 V-8 M10 8 V-8 M-12 -5 H12 M-12 5 H12',
  UNDER_FLOOR: 'M-12 4 H8 q4 0 4 4 t-4 4 H-12',
  HOUSE_AIR: 'M-10 -5 q5 -4 10 0 t10 0 M-10 3 q5 -4 10 0 t10 0',
  AIR: 'M-6 0 q3 -4 0 -8 M0 0 q3 -4 0 -8 M6 0 q3 -4 0 -8',
  OUTDOOR_AIR: 'M-10 -5 q5 -4 10 0 t10 0 M-10 3 q5 -4 10 0 t10 0',
  BOILER: 'M-8 10 V-8 Q0 -14 8 -8 V10 Z M-4 6 q4 -8 8 0',
  COLLECTOR: 'M-12 10 L6 -10 L12 -5 L-6 14 Z M-6 4 l6 5 M0 -3 l6 5',
  HELD: 'M0 -9 C7 0 7 8 0 8 C-7 8 -7 0 0 -9',
}
const solid = ['RADIATOR', 'BOILER', 'COLLECTOR', 'HELD']
</script>

<template>
  <g :transform="`translate(${x} ${y})`">
    <rect v-if="solid.includes(kind)" x="-14" y="-14" width="28" height="28" class="ground" />
    <path :d="signs[kind] ?? ''" class="sign" />
  </g>
</template>

<style scoped>
.sign {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.8;
  stroke-linecap: round;
  stroke-linejoin: round;
}

.ground {
  fill: var(--sheet);
  fill-opacity: 0.85;
}
</style>
