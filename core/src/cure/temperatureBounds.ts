/** The range of temperatures that the open formats accept, °C. */
export const COLDEST_C = -40;
export const WARMEST_C = 400;
