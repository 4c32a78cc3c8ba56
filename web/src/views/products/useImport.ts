import { computed } from 'vue';
import { shelfApi, type ImportAnswer } from '../../api/shelf';
import { useImportFlow } from '../../components/importing/useImportFlow';
import { useProducts } from '../../stores/products';
import { readCards } from './cardFile';

type Row = ImportAnswer['rows'][number];

/** A file of cards: read, looked through by the server, and brought in when asked: all or none. */
export function useImport() {
  const products = useProducts();
  const flow = useImportFlow<Row, { skipRefused: boolean }>({
    read: readCards,
    send: (rows, options) => shelfApi.importProducts([...rows], options),
    preview: { skipRefused: false },
  });
  async function apply(skipRefused: boolean): Promise<void> {
    if ((await flow.apply({ skipRefused })) !== null) await products.load();
  }
  const preview = computed(() => (flow.rows.value ? { rows: flow.rows.value } : null));
  const busy = computed(() => flow.progress.value !== null);
  return { ...flow, preview, busy, apply };
}
