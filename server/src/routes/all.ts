import type { AppDeps } from '../appDeps';
import type { Endpoint } from '../http/endpoint';
import { accessRoutes } from './access';
import { agendaRoutes } from './agenda';
import { backupRoutes } from './backup';
import { batchRoutes } from './batches';
import { benchDrillRoutes } from './benchDrills';
import { checkRoutes } from './checks';
import { clockRoutes } from './clock';
import { deviceRoutes } from './devices';
import { diagnoseRoutes } from './diagnose';
import { documentRoutes } from './documents';
import { drillProgressRoutes } from './drillProgress';
import { drillRoutes } from './drills';
import { eventRoutes } from './events';
import { guideRoutes } from './guide';
import { importRoutes } from './imports';
import { learningRoutes } from './learning';
import { logRoutes } from './log';
import { lookRoundRoutes } from './lookRound';
import { outcomeRoutes } from './outcomes';
import { photoRoutes } from './photos';
import { pieceRoutes } from './pieces';
import { planRoutes } from './plan';
import { productRoutes } from './products';
import { quickDrillRoutes } from './quickDrills';
import { readingRoutes } from './readings';
import { recallRoutes } from './recall';
import { searchRoutes } from './search';
import { shelfRoutes } from './shelf';

/** Every resource; a new one is a file beside these and a line here. */
const ROUTES: readonly ((deps: AppDeps) => Endpoint[])[] = [
  productRoutes,
  guideRoutes,
  drillRoutes,
  quickDrillRoutes,
  benchDrillRoutes,
  drillProgressRoutes,
  importRoutes,
  lookRoundRoutes,
  logRoutes,
  pieceRoutes,
  learningRoutes,
  backupRoutes,
  batchRoutes,
  checkRoutes,
  agendaRoutes,
  shelfRoutes,
  searchRoutes,
  diagnoseRoutes,
  planRoutes,
  deviceRoutes,
  readingRoutes,
  recallRoutes,
  outcomeRoutes,
  photoRoutes,
  eventRoutes,
  clockRoutes,
  accessRoutes,
];

/** Every endpoint of the application, with those that describe the others. */
export function allEndpoints(deps: AppDeps, prefix: string): Endpoint[] {
  const endpoints = ROUTES.flatMap((routes) => routes(deps));
  return [...endpoints, ...documentRoutes(endpoints, prefix)];
}
