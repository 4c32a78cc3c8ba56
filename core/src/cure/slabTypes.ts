/** A layer of resin with air above and mould below, and how long to follow it. */
export interface SlabConditions {
  readonly depthMm: number;
  readonly densityGPerML: number;
  /** Resin at the start, all through, °C. */
  readonly resinC: number;
  /** Conversion at the start: what the cup spent before the pour. */
  readonly alpha: number;
  readonly roomC: number;
  readonly mouldC: number;
  /** Thickness of the mould below, mm; 0 leaves the face to the air. */
  readonly mouldMm: number;
  readonly topWPerM2K: number;
  readonly bottomWPerM2K: number;
  /** Heat lost through the sides of a real piece, W/(m³·K). */
  readonly sideWPerM3K: number;
  readonly nodes: number;
  readonly maxMinutes: number;
  readonly alphaGel: number;
  /** Stop once the reaction is over and everything is back within this of the room, K; 0 runs the whole time. */
  readonly coolK: number;
  readonly onProgress?: ((share: number) => void) | undefined;
}

/** Temperature and conversion through the thickness over time. */
export interface SlabCurve {
  readonly status: 'complete' | 'time-ran-out' | 'too-many-steps';
  readonly minutes: readonly number[];
  /** Depth of each node below the surface, mm. */
  readonly positionsMm: readonly number[];
  /** For each time, the temperature at each node, °C. */
  readonly temperatureC: readonly (readonly number[])[];
  /** For each time, the conversion at each node. */
  readonly alpha: readonly (readonly number[])[];
  readonly peakC: number;
  readonly peakMin: number;
  readonly peakAtMm: number;
  /** Minutes until half the depth has gelled, and until the last of it has; null where it did not. */
  readonly centreGelMin: number | null;
  readonly lastGelMin: number | null;
  /** Where it gels last, mm below the surface. */
  readonly lastGelAtMm: number;
  /** From when on everything is within `coolK` of the room, after the peak; null where it is not yet. */
  readonly coolMin: number | null;
  readonly steps: number;
  /**
   * Heat made less heat kept and lost, as a share of what moved, the loss
   * summed from the faces: a check that can fail.
   */
  readonly energyError: number;
}
