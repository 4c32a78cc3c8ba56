import { ref } from 'vue';
import { useRouter } from 'vue-router';
import { onPlainKey } from '../keys/keys';
import { PLACES } from '../places/places';

/** The keys that work on every view: one for each place that has one, and the shell's own. */
export function useGlobalKeys() {
  const router = useRouter();
  const keysOpen = ref(false);
  const findOpen = ref(false);
  for (const { name, key } of PLACES) if (key) onPlainKey(key.key, () => void router.push({ name }));
  onPlainKey('/', () => {
    findOpen.value = true;
  });
  onPlainKey('?', () => {
    keysOpen.value = true;
  });
  return { keysOpen, findOpen };
}
