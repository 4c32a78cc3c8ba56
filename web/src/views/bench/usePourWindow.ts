import { resinAhead, sayMinutes } from '@warm-jar/core';
import { computed } from 'vue';
import type { ChartSpec } from '../../components/chartOption';
import { useUnits } from '../../stores/units';
import { useBenchContext } from '../../run/useBench';

/** The window of temperature that the pour waits for, as the record has it: when it opens and closes, in words and drawn. */
export function usePourWindow() {
  const bench = useBenchContext();
  const units = useUnits();
  const fromC = computed(() => bench.batch.value?.bench?.pourWindow?.fromC ?? null);
  const toC = computed(() => bench.batch.value?.bench?.pourWindow?.toC ?? null);
  const set = (window: { fromC: number; toC: number } | null) =>
    void bench.write({
      words: window ? `pour from ${units.say(window.fromC, '°C')} to ${units.say(window.toC, '°C')}` : 'no pour window',
      set: { 'bench.pourWindow': window },
    });
  const words = computed(() => {
    const w = bench.window.value;
    const now = bench.nowMin.value;
    if (!w || now === null) return null;
    const closes = w.closesMin;
    if (w.open)
      return closes === null ? 'Open now.' : `Open now, for another ${sayMinutes(Math.max(0, closes - now))}.`;
    if (w.opensMin === null) return 'It does not come to that before pot life ends: warm it, or pour as it is.';
    if (now >= w.opensMin) return 'It has closed: pour at once, or not at all.';
    const lasts = closes === null ? 'with pot life' : `${sayMinutes(closes - w.opensMin)} later`;
    return `Opens in ${sayMinutes(w.opensMin - now)}, closes ${lasts}.`;
  });
  /** The model's curve with the readings on it, and the window across. */
  const curve = computed<ChartSpec | null>(() => {
    const cup = bench.cupNow.value;
    if (!bench.window.value || !bench.product.value || !cup || fromC.value === null || toC.value === null) return null;
    const t = (c: number) => units.shown(c, '°C');
    const ahead = resinAhead(bench.product.value, cup);
    const read = (bench.batch.value?.readings ?? []).flatMap((r) =>
      r.what === 'resin' && r.atMin != null && r.value != null ? [[r.atMin, t(r.value)] as const] : [],
    );
    return {
      title: 'Mix in the cup',
      x: 'minutes since the parts met',
      y: units.label('°C'),
      marksX: [{ at: cup.nowMin, name: 'now' }],
      marksY: [
        { at: t(fromC.value), name: 'from' },
        { at: t(toC.value), name: 'to' },
      ],
      lines: [
        { name: 'by the model', points: ahead.map((p) => [p.atMin, t(p.temperatureC)] as const) },
        { name: 'read', points: read, dots: true },
      ],
    };
  });
  return { fromC, toC, set, words, curve };
}
