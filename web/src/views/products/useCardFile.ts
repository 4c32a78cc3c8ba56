import { issuesFromZod, productSchema, type ProblemIssue } from '@warm-jar/core';
import { ref, shallowRef } from 'vue';
import { ApiProblem, api } from '../../api/client';
import { useProducts } from '../../stores/products';

/** A card file no honest card comes near, bytes. */
const MOST_BYTES = 500_000;

/** Brings a `warm-jar.product/1` file onto the shelf, or says field by field why not. */
export function useCardFile(done: (slug: string) => void) {
  const products = useProducts();
  const problem = ref<string | null>(null);
  const issues = shallowRef<readonly ProblemIssue[]>([]);

  function refuse(words: string, fields: readonly ProblemIssue[] = []): void {
    problem.value = words;
    issues.value = fields;
  }

  async function take(file: File): Promise<void> {
    if (file.size > MOST_BYTES) { refuse(`${file.name} is too large to be one card.`); return; }
    let document: unknown;
    try {
      document = JSON.parse(await file.text());
    } catch {
      refuse(`${file.name} is not JSON. A card is a warm-jar.product/1 document.`);
      return;
    }
    const parsed = productSchema.safeParse(document);
    if (!parsed.success) { refuse(`${file.name} was not brought in; these fields need a look:`, issuesFromZod(parsed.error)); return; }
    try {
      const card = await api.addProduct(parsed.data);
      refuse('');
      problem.value = null;
      await products.load();
      done(card.slug);
    } catch (error) {
      if (!(error instanceof ApiProblem)) throw error;
      refuse(error.message, error.issues);
    }
  }

  function bring(event: Event): void {
    const input = event.target as HTMLInputElement;
    const file = input.files?.[0];
    if (file) void take(file);
    input.value = '';
  }
  return { problem, issues, bring };
}
