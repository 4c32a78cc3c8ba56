import { computed } from 'vue';
import { logApi, type BatchImportAnswer } from '../../api/learning';
import { useImportFlow } from '../../components/importing/useImportFlow';
import { inParts, readBatches } from './batchFile';

type Row = BatchImportAnswer['rows'][number];

/** A file of batches: read, looked through part by part, and brought in when asked. */
export function useImportBatches() {
  const flow = useImportFlow<Row, { skipRefused: boolean; replaceOthers: boolean }>({
    read: readBatches,
    parts: (rows) => inParts([...rows]),
    send: (rows, options) => logApi.importBatches([...rows], options),
    preview: { skipRefused: false, replaceOthers: false },
  });
  const count = (action: Row['action']) =>
    computed(() => flow.rows.value?.filter((r) => r.action === action).length ?? 0);
  return {
    ...flow,
    apply: (replaceOthers: boolean) => flow.apply({ skipRefused: true, replaceOthers }),
    fresh: count('new'),
    same: count('same'),
    differs: count('differs'),
    refused: count('refused'),
  };
}
