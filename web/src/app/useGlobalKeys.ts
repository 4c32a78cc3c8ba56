import { ref } from 'vue';
import { useRouter } from 'vue-router';
import { onPlainKeys } from '../keys/keys';
import { PLACES } from '../places/places';
import { useWork } from '../stores/work';
import { jarPlace, shelfJars } from './jarPlaces';

/** The keys that work on every view: one for each place that has one, and the shell's own. */
export function useGlobalKeys() {
  const router = useRouter();
  const keysOpen = ref(false);
  const findOpen = ref(false);
  const isBare = () => router.currentRoute.value.meta['bare'] === true;
  const places = PLACES.flatMap(({ name, key }) => (key ? [[key.key, () => void router.push({ name })] as const] : []));
  const jars = Array.from({ length: 9 }, (_, i) => [
    String(i + 1),
    () => {
      // Only once somebody presses: before signing in there is no shelf to ask for.
      const item = shelfJars(useWork().items)[i];
      if (item) void router.push(jarPlace(item));
    },
  ]);
  onPlainKeys({
    ...Object.fromEntries([...places, ...jars]),
    // A board has neither: they would open once it is left.
    '/': () => {
      findOpen.value = !isBare();
    },
    '?': () => {
      keysOpen.value = !isBare();
    },
  });
  return { keysOpen, findOpen };
}
