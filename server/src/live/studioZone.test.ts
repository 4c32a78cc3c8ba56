import { afterEach, describe, expect, it, vi } from 'vitest';
import { studioZone } from './studioZone';

afterEach(() => {
  vi.unstubAllEnvs();
});

describe("the studio's time zone", () => {
  it('is as the environment says, whatever it was before', () => {
    for (const zone of ['Pacific/Auckland', 'America/St_Johns', 'Pacific/Auckland', 'UTC']) {
      vi.stubEnv('TZ', zone);
      expect(studioZone()).toBe(zone);
    }
  });
});
