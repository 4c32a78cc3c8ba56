/** How wide a pour is, seen from above, and whether somebody said so or its mass did. */
export interface PourWidth {
  readonly mm: number;
  readonly from: 'measured' | 'mass';
}
