/** The one part of the statistics library that is used here. */
declare module 'jstat' {
  const jStat: {
    readonly studentt: {
      /** Quantile of Student's t. @param p 0 to 1 @param degreesOfFreedom above 0 */
      readonly inv: (p: number, degreesOfFreedom: number) => number;
    };
  };
  export default jStat;
}
