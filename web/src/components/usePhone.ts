import { useMediaQuery } from '@vueuse/core';
import type { Ref } from 'vue';

/**
 * Narrower than a bench tablet: a phone, or a page enlarged to 200 %. In `em`, so that larger text makes it narrow too.
 * The same width stands in the style sheets.
 */
const PHONE = 'screen and (max-width: 49.99em)';

/** Whether the page is laid out for a phone. */
export const usePhone = (): Ref<boolean> => useMediaQuery(PHONE);
