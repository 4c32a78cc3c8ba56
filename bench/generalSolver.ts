import { createRequire } from 'node:module';
import { HEAT_CAPACITY_J_PER_GK, type Calibration } from '@warm-jar/core';
import { coolingPerMin, cureRatePerMin } from '../core/src/cure/cup';
import { slabOf } from '../core/src/cure/slabConditions';
import { slabSystem } from '../core/src/cure/slabSystem';

interface OdexSolver {
  absoluteTolerance: number;
  relativeTolerance: number;
  maxSteps: number;
  denseOutput: boolean;
  solve: (
    f: (x: number, y: number[]) => number[],
    x0: number,
    y0: number[],
    xEnd: number,
  ) => { y: number[]; nStep: number };
}
// The package is CommonJS without types of its own.
const { Solver } = createRequire(import.meta.url)('odex') as { Solver: new (dimensions: number) => OdexSolver };

function solver(dimensions: number): OdexSolver {
  const s = new Solver(dimensions);
  [s.absoluteTolerance, s.relativeTolerance, s.maxSteps, s.denseOutput] = [1e-4, 2e-5, 1e6, false];
  return s;
}

/** The same cup by a general integrator (extrapolation, Hairer & Wanner's ODEX): temperature after `minutes`, °C. */
export function cupByOdex(
  fit: Calibration,
  cup: { massG: number; resinC: number; roomC: number },
  minutes: number,
): number {
  const cooling = coolingPerMin({ ...cup, densityGPerML: fit.densityGPerML, cupDiameterMm: undefined });
  const rise = fit.heatJPerG / HEAT_CAPACITY_J_PER_GK;
  return solver(2).solve(
    (_t, [a, T]) => {
      const r = cureRatePerMin(fit, a!, T!);
      return [r, rise * r - cooling * (T! - cup.roomC)];
    },
    0,
    [0, cup.resinC],
    minutes,
  ).y[1]!;
}

/** The same slab and the same finite volumes by the general integrator: temperature of the middle after `hours`, °C. */
export function slabByOdex(
  fit: Calibration,
  wish: { depthMm: number; resinC: number; roomC: number; hours: number },
  sideWPerM3K: number,
): number {
  const c = { ...slabOf(fit, wish), sideWPerM3K };
  const system = slabSystem(fit, c);
  const first = system.start();
  const n = c.nodes;
  const f = (_t: number, y: number[]) => {
    const s = system.slopes({
      alpha: Float64Array.from(y.slice(0, n)),
      temperature: Float64Array.from(y.slice(n)),
    });
    return [...s.alpha, ...s.temperature];
  };
  return solver(n + system.all).solve(f, 0, [...first.alpha, ...first.temperature], wish.hours * 60).y[
    n + Math.floor(n / 2)
  ]!;
}
