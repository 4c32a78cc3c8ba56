import {
  QUANTITIES,
  STORED_UNITS,
  decimalsFor,
  fromStored,
  quantityOfStoredUnit,
  toStored,
  unitFor,
  wordsIn,
  type Quantity,
  type UnitChoice,
} from '@warm-jar/core';
import { useLocalStorage } from '@vueuse/core';
import { defineStore } from 'pinia';
import { computed } from 'vue';

/** Longest sign of a currency, letters. */
const LONGEST_SIGN = 4;

/** Keeps only choices that exist, so that an old or foreign entry cannot break every screen. */
export function validChoice(kept: Partial<Record<string, string>>): UnitChoice {
  const pick = (quantity: Exclude<Quantity, 'temperatureDifference' | 'area'>) => {
    const units: Record<string, unknown> = QUANTITIES[quantity].units;
    const wanted = kept[quantity];
    return wanted !== undefined && wanted in units ? wanted : STORED_UNITS[quantity];
  };
  return {
    temperature: pick('temperature'),
    pressure: pick('pressure'),
    mass: pick('mass'),
    volume: pick('volume'),
    length: pick('length'),
  } as UnitChoice;
}

/** The units people chose to read and type in. What is stored never changes with them. */
export const useUnits = defineStore('units', () => {
  const kept = useLocalStorage<Partial<Record<string, string>>>('warm-jar.units', {});
  const choice = computed(() => validChoice(kept.value));
  const say = computed(() => wordsIn(choice.value));
  return {
    choice,
    say,
    /** The sign of this studio's money; empty where none was chosen. */
    currency: computed(() => kept.value['currency'] ?? ''),
    chooseCurrency: (sign: string) => {
      kept.value = { ...kept.value, currency: sign.trim().slice(0, LONGEST_SIGN) };
    },
    /** A price with the sign of the studio's money. */
    price: (amount: number, decimals = 2) => {
      const sign = kept.value['currency'] ?? '';
      const figure = amount.toFixed(decimals);
      return sign === '' ? figure : `${sign}${/[a-z]$/i.test(sign) ? '\u00a0' : ''}${figure}`;
    },
    choose: (quantity: keyof UnitChoice, unit: string) => {
      kept.value = { ...kept.value, [quantity]: unit };
    },
    /** The unit that a stored unit is shown in: `°C` may be `°F`; `%` stays. */
    label: (storedUnit: string) => {
      const quantity = quantityOfStoredUnit(storedUnit);
      return quantity ? unitFor(quantity, choice.value) : storedUnit;
    },
    shown: (value: number, storedUnit: string) => {
      const quantity = quantityOfStoredUnit(storedUnit);
      return quantity ? fromStored(quantity, value, unitFor(quantity, choice.value)) : value;
    },
    stored: (value: number, storedUnit: string) => {
      const quantity = quantityOfStoredUnit(storedUnit);
      return quantity ? toStored(quantity, value, unitFor(quantity, choice.value)) : value;
    },
    decimals: (storedUnit: string) => {
      const quantity = quantityOfStoredUnit(storedUnit);
      return quantity ? decimalsFor(quantity, unitFor(quantity, choice.value)) : 2;
    },
  };
});
