import { ref, shallowRef } from 'vue';
import { ApiProblem } from '../../api/client';
import { shelfApi, type ImportAnswer } from '../../api/shelf';
import { useProducts } from '../../stores/products';
import { readCards } from './cardFile';

/** A file of cards: read, looked through by the server, and brought in when asked. */
export function useImport() {
  const products = useProducts();
  const name = ref('');
  const problem = ref<string | null>(null);
  const preview = shallowRef<ImportAnswer | null>(null);
  const done = ref<number | null>(null);
  const busy = ref(false);
  let rows: unknown[] = [];

  async function ask(options: { apply: boolean; skipRefused: boolean }): Promise<ImportAnswer | null> {
    busy.value = true;
    try {
      return await shelfApi.importProducts(rows, options);
    } catch (error) {
      problem.value =
        error instanceof ApiProblem
          ? [error.message, ...error.issues.slice(0, 5).map((i) => `${i.path}: ${i.message}`)].join(' ')
          : 'The cards could not be brought in.';
      return null;
    } finally {
      busy.value = false;
    }
  }

  async function choose(event: Event): Promise<void> {
    const input = event.target as HTMLInputElement;
    const file = input.files?.[0];
    input.value = '';
    if (!file) return;
    [name.value, preview.value, done.value, problem.value] = [file.name, null, null, null];
    const read = readCards(file.name, await file.arrayBuffer());
    if (!read.ok) {
      problem.value = read.says;
      return;
    }
    rows = read.rows;
    preview.value = await ask({ apply: false, skipRefused: false });
  }

  async function apply(skipRefused: boolean): Promise<void> {
    const answer = await ask({ apply: true, skipRefused });
    if (!answer) return;
    done.value = answer.applied;
    await products.load();
  }
  return { name, preview, problem, busy, done, choose, apply };
}
