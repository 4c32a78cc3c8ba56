import { z } from 'zod';

// Schemas are followed as they stand: the page may not make code, and asking whether it may is told as a breach. This
// stands before the first schema is made, for each asks as it is made.
z.config({ jitless: true });
