import type { AccessStore } from './access/accessStore';
import type { AccessOptions } from './access/gate';
import type { Devices } from './devices/devices';
import type { LookRound } from './lookRound';
import type { ChangeBus } from './live/changeBus';
import type { StudioClock } from './live/studioClock';
import type { BackupDeps } from './routes/backup';
import type { BatchStore } from './store/batchStore';
import type { CheckStore } from './store/checkStore';
import type { DrillStores } from './store/drillStores';
import type { FactStore } from './store/factStore';
import type { FilterStore } from './store/filterStore';
import type { PastStore } from './store/pastStore';
import type { PhotoStore } from './store/photoStore';
import type { PieceStore } from './store/pieceStore';
import type { ProductStore } from './store/productStore';
import type { ReadingStore } from './store/readingStore';
import type { Found } from './store/searchStore';
import type { ImportStore } from './store/importStore';
import type { RecallStore } from './store/recallStore';
import type { SeriesStore } from './store/seriesStore';
import type { Shelf } from './store/shelf';
import type { LearningRunner } from './work/learningRunner';
import type { PlanRunner } from './work/planRunner';

/** What the application stands on; an endpoint takes the parts of it that it needs. */
export interface AppDeps {
  readonly products: ProductStore;
  readonly batches: BatchStore;
  readonly shelf: Shelf;
  readonly checks: CheckStore;
  readonly past: PastStore;
  readonly photos: PhotoStore;
  readonly facts: FactStore;
  readonly filters: FilterStore;
  readonly pieces: PieceStore;
  readonly recall: RecallStore;
  readonly imports: ImportStore;
  readonly drills: DrillStores;
  /** The demo studio beside this one; none where it is not hosted. */
  readonly lookRound?: LookRound | undefined;
  readonly series: SeriesStore;
  readonly learner: LearningRunner;
  readonly backup: BackupDeps;
  readonly search: (words: string) => Promise<Found[]>;
  /** Who may come in, and how. */
  readonly access: AccessOptions;
  readonly people: AccessStore;
  readonly readings: ReadingStore;
  readonly planner: PlanRunner;
  readonly devices: Devices;
  readonly bus: ChangeBus;
  readonly clock: StudioClock;
  /** What this studio is known by. */
  readonly studio: string;
  /** Folder of the built application; none serves the API alone. */
  readonly webRoot?: string | undefined;
  /** Told of failures that nobody foresaw. */
  readonly log: (error: unknown) => void;
}
