<script setup lang="ts">
import { API_PREFIX } from '../../../api/base';
import { DEVICE_KIND_OF_GEAR, type DeviceKind, type Gear } from '@warm-jar/core';
import Button from 'primevue/button';
import { computed, ref, toRef } from 'vue';
import { RouterLink } from 'vue-router';
import { accessApi } from '../../../api/access';
import { ApiProblem } from '../../../api/http';
import ProblemNote from '../../../components/ProblemNote.vue';
import { useDevices } from '../../../stores/devices';
import { useSession } from '../../../stores/session';
import { useUnits } from '../../../stores/units';

/** A piece of gear as the application reads it: what it shows now, and for one that posts, how it is told to. */
const props = defineProps<{ gear: Gear }>();
const units = useUnits();
const session = useSession();
const kind = computed(() => DEVICE_KIND_OF_GEAR[props.gear.kind] ?? null);
const WHATS: Readonly<Record<DeviceKind, readonly Parameters<typeof devices.shown>[1][]>> = {
  'room-sensor': ['room', 'humidity'],
  scale: ['scale'],
  thermometer: ['resin', 'surface'],
  'vessel-gauge': ['gauge'],
  'vacuum-gauge': ['vacuum'],
  'hardness-tester': ['shore'],
};
const UNITS: Readonly<Partial<Record<string, string>>> = {
  scale: 'g',
  room: '°C',
  resin: '°C',
  surface: '°C',
  gauge: 'kPa',
  vacuum: 'kPa',
  humidity: '%',
};
const unitOf = (what: string) => UNITS[what] ?? '';
const code = toRef(() => props.gear.code);
const devices = useDevices(ref(null), kind.value ? [kind.value] : [], () => code.value);
const shown = computed(() =>
  kind.value ? WHATS[kind.value].map((what) => ({ what, now: devices.shown(kind.value!, what) })) : [],
);
const known = computed(() => (kind.value ? devices.device(kind.value) : null));
const silent = computed(() => shown.value.find(({ now }) => now?.silent)?.now?.says ?? null);
const example = computed(() => {
  const what = kind.value ? WHATS[kind.value][0] : 'scale';
  const unit = { room: 'C', resin: 'C', gauge: 'kPa', vacuum: 'kPa', shore: 'Shore' }[what as string] ?? 'g';
  const reading = `{"at":"'$(date -Iseconds)'","what":"${what}","value":21.4,"unit":"${unit}"}`;
  return [
    `curl -X POST ${window.location.origin}${API_PREFIX}/devices/${props.gear.code}/readings \\`,
    `  -H 'Authorization: Bearer THE-TOKEN' -H 'Content-Type: application/json' \\`,
    `  -d '${reading}'`,
  ].join('\n');
});
const token = ref<string | null>(null);
const problem = ref<string | null>(null);
async function makeToken(): Promise<void> {
  try {
    token.value = await accessApi.addToken(props.gear.code, props.gear.name);
    problem.value = null;
  } catch (error) {
    problem.value = error instanceof ApiProblem ? error.message : 'No token could be made.';
  }
}
</script>

<template>
  <section class="card stack" aria-label="What it shows" data-test="device">
    <h2>What it shows</h2>
    <p v-if="!known" class="quiet">Save it, and its figures stand here.</p>
    <template v-else>
      <p v-if="known.standIn" class="simulated">
        <strong>Simulated.</strong> Its figures are made up by the application.
      </p>
      <p v-if="silent" class="bad" role="alert">{{ silent }}</p>
      <dl v-else class="row">
        <div v-for="{ what, now } in shown" :key="what">
          <dt class="small">{{ what }}</dt>
          <dd class="figures now">
            {{ now?.value == null ? '–' : units.say(now.value, unitOf(what)) }}
          </dd>
        </div>
      </dl>
      <p v-if="devices.holderOf(gear.code)" class="small">
        At the bench of
        <RouterLink :to="{ name: 'bench', params: { code: devices.holderOf(gear.code)! } }">{{
          devices.holderOf(gear.code)
        }}</RouterLink>.
      </p>
    </template>
    <template v-if="gear.device === 'posts'">
      <h3>How it speaks</h3>
      <p class="small">
        It posts its readings by a token of its own, one or up to a hundred at once. A figure is live for ten seconds, a
        room's for ten minutes. The guide in <span class="figures">docs/devices.md</span> has a script to begin with.
      </p>
      <pre class="figures example">{{ example }}</pre>
      <div v-if="session.isLead" class="row">
        <Button label="Make its token" severity="secondary" @click="makeToken" />
        <RouterLink :to="{ name: 'people' }">All tokens</RouterLink>
      </div>
      <p v-if="token" role="status">
        Copy it now; it is not shown again:<br /><span class="figures token" data-test="token">{{ token }}</span>
      </p>
      <ProblemNote v-if="problem" :says="problem" />
    </template>
  </section>
</template>

<style scoped>
.now {
  font-size: 1.5rem;
}
.example,
.token {
  overflow-wrap: anywhere;
  white-space: pre-wrap;
  user-select: all;
}
.bad {
  color: var(--outside);
  font-weight: 700;
}
</style>
