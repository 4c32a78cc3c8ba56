import { warmingPerMin, type CupSystem } from './cupSystem';

/** Where a cup stands: conversion, temperature, how fast both change; and, after a step, the error of both. */
export interface CupState {
  alpha: number;
  temperatureC: number;
  alphaPerMin: number;
  warmingPerMin: number;
  alphaError: number;
  temperatureError: number;
}

export function startState(cup: CupSystem, alpha: number, temperatureC: number): CupState {
  const alphaPerMin = cup.rate(alpha, temperatureC);
  return {
    alpha,
    temperatureC,
    alphaPerMin,
    warmingPerMin: warmingPerMin(cup, alphaPerMin, temperatureC),
    alphaError: 0,
    temperatureError: 0,
  };
}

/** Weights of the second-order error (Bogacki & Shampine 1989). */
const E1 = -5 / 72;
const E2 = 1 / 12;
const E3 = 1 / 9;
const E4 = -1 / 8;

/**
 * One Bogacki–Shampine 3(2) step (1989) of both unknowns, `h` minutes long, from one state into another, which is
 * written over: nothing is made anew, for this is where the application spends its time. First same as last.
 */
export function cupStep(cup: CupSystem, from: CupState, to: CupState, h: number): void {
  const { alpha: a0, temperatureC: t0, alphaPerMin: ka1, warmingPerMin: kt1 } = from;
  const t2 = t0 + 0.5 * h * kt1;
  const ka2 = cup.rate(a0 + 0.5 * h * ka1, t2);
  const kt2 = warmingPerMin(cup, ka2, t2);
  const t3 = t0 + 0.75 * h * kt2;
  const ka3 = cup.rate(a0 + 0.75 * h * ka2, t3);
  const kt3 = warmingPerMin(cup, ka3, t3);
  const a4 = a0 + h * ((2 / 9) * ka1 + (1 / 3) * ka2 + (4 / 9) * ka3);
  const t4 = t0 + h * ((2 / 9) * kt1 + (1 / 3) * kt2 + (4 / 9) * kt3);
  const ka4 = cup.rate(a4, t4);
  const kt4 = warmingPerMin(cup, ka4, t4);
  to.alpha = a4;
  to.temperatureC = t4;
  to.alphaPerMin = ka4;
  to.warmingPerMin = kt4;
  to.alphaError = h * (E1 * ka1 + E2 * ka2 + E3 * ka3 + E4 * ka4);
  to.temperatureError = h * (E1 * kt1 + E2 * kt2 + E3 * kt3 + E4 * kt4);
}

/** So near to where its heat balances, K, that the cup is taken as there. */
const SETTLED_K = 0.02;
/** Rounds of the fixed point; each takes at least four fifths of what is left, where the cup is near the room. */
const ROUNDS = 8;
/**
 * The most that a cup at balance may stand over its room to be followed
 * this way, K: above it a reaction may run away.
 */
const MAX_EXCESS_K = 2;

/** Where making and losing heat balance at a conversion, °C; null where the reaction is too hot for that. */
export function balanceC({ rate, riseK, coolingPerMin, roomC }: CupSystem, alpha: number): number | null {
  let temperature = roomC;
  for (let round = 0; round < ROUNDS; round += 1) {
    temperature = roomC + (riseK * rate(alpha, temperature)) / coolingPerMin;
    if (!(temperature - roomC < MAX_EXCESS_K)) return null;
  }
  return temperature;
}

/**
 * One step of a cup that gives its heat away far faster than it makes it: temperature is where the two balance, and
 * conversion alone is integrated, so that the step is as long as the reaction allows and not as the cooling does.
 * @returns whether it was taken: not where the cup is not at balance, or would not stay within 0.02 K of it
 */
export function settledStep(cup: CupSystem, from: CupState, to: CupState, h: number): boolean {
  const { alpha: a0, temperatureC } = from;
  const balance = balanceC(cup, a0);
  if (balance === null || Math.abs(temperatureC - balance) > SETTLED_K) return false;
  const rate = (alpha: number) => cup.rate(alpha, balanceC(cup, alpha) ?? temperatureC);
  const k1 = rate(a0);
  const k2 = rate(a0 + 0.5 * h * k1);
  const k3 = rate(a0 + 0.75 * h * k2);
  const a4 = a0 + h * ((2 / 9) * k1 + (1 / 3) * k2 + (4 / 9) * k3);
  const end = balanceC(cup, a4);
  // What it lags behind is its change over the time that cooling takes.
  if (end === null || Math.abs(end - temperatureC) > SETTLED_K * h * cup.coolingPerMin) return false;
  const k4 = cup.rate(a4, end);
  to.alpha = a4;
  to.temperatureC = end;
  to.alphaPerMin = k4;
  to.warmingPerMin = (end - temperatureC) / h;
  to.alphaError = h * (E1 * k1 + E2 * k2 + E3 * k3 + E4 * k4);
  to.temperatureError = 0;
  return true;
}

/** The next step's length from this one's scaled error (1 is just accepted), never more than five times longer. */
export function nextStep(h: number, scaledError: number): number {
  return h * Math.min(5, Math.max(0.2, 0.9 * Math.cbrt(1 / Math.max(scaledError, 1e-8))));
}
