import { ref } from 'vue';
import { useRouter } from 'vue-router';
import { onPlainKey } from '../keys/keys';
import { PLACES } from '../places/places';
import { useWork } from '../stores/work';
import { jarPlace, shelfJars } from './jarPlaces';

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
  for (let i = 1; i <= 9; i += 1)
    onPlainKey(String(i), () => {
      // Only once somebody presses: before signing in there is no shelf to ask for.
      const item = shelfJars(useWork().items)[i - 1];
      if (item) void router.push(jarPlace(item));
    });
  return { keysOpen, findOpen };
}
