import { performance } from 'node:perf_hooks';
import { studioFigures, batchFacts, saltmarshYear, saltmarshCard, SALTMARSH_CARDS, saltmarshLots, saltmarshMoulds } from '@warm-jar/core';
const now = new Date('2027-03-18T09:00:00Z');
const year = saltmarshYear(now) as any[];
const facts = year.map((y: any) => batchFacts(saltmarshCard((y.batch ?? y).product.slug), y.batch ?? y));
const scene = { facts, cards: SALTMARSH_CARDS, lots: saltmarshLots(now), moulds: saltmarshMoulds() } as any;
for (let i = 0; i < 3; i++) { const t = performance.now(); const f = studioFigures(scene); console.log((performance.now() - t).toFixed(0), f.gel.map((g) => `${g.slug} ${g.fit.points} ${'iterations' in g.fit ? g.fit.iterations : g.fit.status} ${'gelMin' in g.fit ? g.fit.gelMin.toFixed(6) : ''}`).join('; ')); }
