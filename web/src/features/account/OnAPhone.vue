<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { install } from '@/shared/install'
import { homeQuery } from './queries'

/** Where a phone of the home network reaches the program: an address to type, or to be looked at. */
const { data: home } = useQuery(homeQuery)
</script>

<template>
  <section v-if="home" aria-labelledby="phone-h">
    <h2 id="phone-h">On a phone</h2>
    <p v-if="!home.doors.length">
      Only this machine reaches the program now. Started with <code>./nightbank start --home</code>,
      phones of the home network reach it too, and nobody listens in between.
    </p>
    <div v-for="door in home.doors" :key="door.address" class="door">
      <svg
        :viewBox="`0 0 ${door.size} ${door.size}`"
        role="img"
        :aria-label="`The address ${door.address}, for a camera`"
      >
        <path :d="door.code" />
      </svg>
      <ol>
        <li v-if="home.ownRoot">
          Once on each phone: open <b>{{ door.address }}/root.crt</b> (the browser warns, since it
          does not know this machine yet) and install the file as a trusted authority in the phone’s
          settings. It can vouch for this machine and for addresses of home networks only.
        </li>
        <li>
          Look at the squares with the phone’s camera, or type <b>{{ door.address }}</b>.
        </li>
        <li>Sign in there, and put the page on the home screen.</li>
      </ol>
    </div>
    <p v-if="install">
      <button type="button" class="btn btn-secondary" @click="install()">
        Put it on this device’s home screen
      </button>
    </p>
  </section>
</template>

<style scoped>
.door {
  display: flex;
  flex-wrap: wrap;
  gap: 1rem 1.5rem;
  align-items: flex-start;
}

svg {
  width: 168px;
  background: #fff;
  padding: 12px;
  shape-rendering: crispEdges;
}

ol {
  flex: 1 1 280px;
  max-width: 60ch;
  margin: 0;
}
</style>
