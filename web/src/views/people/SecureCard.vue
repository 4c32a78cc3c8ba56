<script setup lang="ts">
import QrCode from '../../components/QrCode.vue';
import { useSession } from '../../stores/session';

/**
 * Whether this page came by a secure address, what is missing where it did not, and how a device learns to trust it.
 */
const session = useSession();
const secure = window.isSecureContext;
</script>

<template>
  <section class="card stack" aria-labelledby="secure">
    <h2 id="secure">{{ secure ? 'A secure address' : 'Not a secure address' }}</h2>
    <p v-if="!secure" data-test="missing">
      On this address the browser gives no camera, no notices, no screen that stays awake, and does not install the
      page. What is typed, PINs too, can be read by others on the network.
    </p>
    <template v-if="session.who?.trust">
      <p>A tablet or phone learns to trust this studio once, by these steps:</p>
      <div class="trust">
        <QrCode :text="session.who.trust.address" label="Address of the steps to trust this studio" class="code" />
        <a :href="session.who.trust.address" class="figures">{{ session.who.trust.address }}</a>
      </div>
      <p class="small">
        Compare there:
        <span class="figures fingerprint" data-test="fingerprint">{{ session.who.trust.fingerprint }}</span>
      </p>
    </template>
    <p v-else-if="!secure" class="small quiet">
      Start the server without WARM_JAR_TLS=off, give it a certificate, or put a proxy in front of it; docs/security.md
      says how.
    </p>
  </section>
</template>

<style scoped>
.trust {
  display: grid;
  grid-template-columns: 8.75rem minmax(0, 1fr);
  gap: var(--space-4);
  align-items: center;
  overflow-wrap: anywhere;
}
.code {
  width: 8.75rem;
  height: 140px;
}
</style>
