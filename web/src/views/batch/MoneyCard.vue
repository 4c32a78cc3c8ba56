<script setup lang="ts">
import { useUnits } from '../../stores/units';
import { batchMoney, type Batch, type Product } from '@warm-jar/core';
import { computed } from 'vue';
import CostLine from './CostLine.vue';

const units = useUnits();

/** What came of the mix in castings and money. */
const props = defineProps<{ batch: Batch; product: Product }>();
const money = computed(() => batchMoney(props.batch));
const parts = computed(() => {
  const { passed, second, scrap, open, valuePassed, valueSecond } = money.value;
  return [
    { words: `${passed} pass`, value: valuePassed, count: passed },
    { words: `${second} second`, value: valueSecond, count: second },
    { words: `${scrap} scrap`, value: null, count: scrap },
    { words: `${open} open`, value: null, count: open },
  ].filter((p) => p.count > 0);
});
</script>

<template>
  <section class="card stack" aria-labelledby="money" data-test="money">
    <h2 id="money">Money</h2>
    <p>
      <template v-for="(p, i) in parts" :key="p.words"
        ><template v-if="i > 0">, </template>{{ p.words
        }}<template v-if="p.value !== null"
          >&nbsp;<strong class="figures">{{ units.price(p.value) }}</strong></template
        ></template
      >.
    </p>
    <p v-if="money.unpriced" class="small quiet">{{ money.unpriced }} of them without a price.</p>
    <CostLine :batch="batch" :product="product" />
  </section>
</template>
