/** As many digits as a conversion is worth. */
const DIGITS = 6;

/** A converted figure without the tail that its conversion left. */
export const rounded = (value: number): number => Number(value.toPrecision(DIGITS));
