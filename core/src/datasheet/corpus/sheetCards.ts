/** What a made-up maker knows of a made-up product; sheets state some of it. */
export interface SheetCard {
  readonly name: string;
  readonly maker: string;
  readonly words: string;
  readonly hazards: readonly string[];
  readonly ratio: readonly [weightA: number, weightB: number, volumeA: number, volumeB: number];
  readonly density: readonly [a: number, b: number, mixed: number];
  readonly viscosity: readonly [a: number, b: number, mixed: number, atC: number];
  readonly pot: readonly [minutes: number, massG: number, atC: number];
  readonly gelMin: number;
  readonly tackFreeMin: number;
  readonly demouldMin: number;
  readonly cureH: number;
  readonly shore: readonly [scale: string, value: number, tolerance: number];
  readonly peakC: number;
  readonly depthMm: readonly [least: number, most: number];
  readonly roomC: readonly [least: number, most: number];
  readonly humidityPct: number;
  readonly pressKPa: readonly [least: number, most: number, holdMin: number];
  readonly shelfMonths: readonly [unopened: number, opened: number];
  readonly loadingPct: readonly [total: number, paste: number, mica: number];
}

const card = (
  [name, maker, words]: readonly [string, string, string],
  hazards: readonly string[],
  figures: Omit<SheetCard, 'name' | 'maker' | 'words' | 'hazards'>,
): SheetCard => ({ name, maker, words, hazards, ...figures });

/** Invented products of invented makers; the two ratios agree through the densities. */
export const SHEET_CARDS: readonly SheetCard[] = [
  card(['Alderlite 20', 'Rowan Hollow Resins', 'polyurethane casting resin'], ['isocyanate'], {
    ratio: [100, 90, 100, 95],
    density: [1.06, 1.01, 1.04],
    viscosity: [180, 90, 120, 25],
    pot: [20, 100, 25],
    gelMin: 28,
    tackFreeMin: 75,
    demouldMin: 240,
    cureH: 72,
    shore: ['D', 72, 3],
    peakC: 92,
    depthMm: [3, 30],
    roomC: [18, 26],
    humidityPct: 65,
    pressKPa: [280, 420, 90],
    shelfMonths: [12, 3],
    loadingPct: [5, 3, 2],
  }),
  card(['Birchpour Deep', 'Fennel Ridge Polymers', 'slow epoxy for deep casting'], ['epoxy-amine'], {
    ratio: [100, 43, 100, 49],
    density: [1.13, 0.99, 1.085],
    viscosity: [1100, 60, 400, 23],
    pot: [300, 500, 23],
    gelMin: 480,
    tackFreeMin: 1080,
    demouldMin: 2160,
    cureH: 168,
    shore: ['D', 80, 2],
    peakC: 55,
    depthMm: [10, 70],
    roomC: [16, 25],
    humidityPct: 70,
    pressKPa: [200, 350, 600],
    shelfMonths: [24, 6],
    loadingPct: [6, 4, 3],
  }),
  card(['Cedarcoat 4', 'Thistle Bay Coatings', 'epoxy coating resin'], ['epoxy-amine'], {
    ratio: [100, 84, 100, 100],
    density: [1.16, 0.975, 1.07],
    viscosity: [2400, 700, 1350, 25],
    pot: [25, 200, 23],
    gelMin: 40,
    tackFreeMin: 300,
    demouldMin: 900,
    cureH: 120,
    shore: ['D', 83, 2],
    peakC: 150,
    depthMm: [1.5, 5],
    roomC: [20, 28],
    humidityPct: 60,
    pressKPa: [100, 200, 120],
    shelfMonths: [18, 9],
    loadingPct: [7, 5, 4],
  }),
  card(['Damson Flex 45', 'Quillon & Marsh', 'flexible urethane rubber'], ['isocyanate'], {
    ratio: [100, 60, 100, 57],
    density: [1.02, 1.07, 1.04],
    viscosity: [2200, 900, 1600, 24],
    pot: [14, 454, 24],
    gelMin: 21,
    tackFreeMin: 150,
    demouldMin: 960,
    cureH: 168,
    shore: ['A', 45, 4],
    peakC: 48,
    depthMm: [2, 80],
    roomC: [19, 29],
    humidityPct: 55,
    pressKPa: [300, 450, 45],
    shelfMonths: [9, 2],
    loadingPct: [4, 2, 1.5],
  }),
  card(['Elmglass 7', 'Vetchworth Materials', 'water-clear polyurethane'], ['isocyanate'], {
    ratio: [100, 80, 100, 83.5],
    density: [1.08, 1.035, 1.06],
    viscosity: [520, 210, 380, 22],
    pot: [7, 150, 22],
    gelMin: 10.5,
    tackFreeMin: 45,
    demouldMin: 150,
    cureH: 96,
    shore: ['D', 79, 3],
    peakC: 88,
    depthMm: [2, 40],
    roomC: [20, 27],
    humidityPct: 58,
    pressKPa: [275, 415, 100],
    shelfMonths: [6, 1],
    loadingPct: [3, 2, 2],
  }),
];
