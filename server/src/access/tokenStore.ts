import type { DeviceToken } from '@warm-jar/core';
import { notFound } from '../http/problem';
import type { AccessContext } from './accessContext';
import { newToken, tokenId } from './secrets';

const CALENDAR_KEY = 'calendar';

const deviceTokens =
  ({ all }: AccessContext) =>
  (): Promise<DeviceToken[]> =>
    all<DeviceToken>(
      `SELECT id, device, label, created_at AS createdAt, created_by AS createdBy, used_at AS usedAt FROM device_tokens
     WHERE ended_at IS NULL ORDER BY device, created_at`,
    );

const addDeviceToken =
  ({ run, write, now }: AccessContext) =>
  async (device: string, label: string, by: string | null): Promise<{ id: string; token: string }> => {
    const token = newToken();
    await write((transaction) =>
      run(
        'INSERT INTO device_tokens (id, device, label, created_at, created_by) VALUES (?, ?, ?, ?, ?)',
        [tokenId(token), device, label, now().toISOString(), by],
        transaction,
      ),
    );
    return { id: tokenId(token), token };
  };

/** @throws Problem 404 */
const endDeviceToken =
  ({ all, run, write, now }: AccessContext) =>
  async (id: string): Promise<void> => {
    const known = await all('SELECT 1 FROM device_tokens WHERE id = ? AND ended_at IS NULL', [id]);
    if (known.length === 0) throw notFound('That token');
    await write((transaction) =>
      run('UPDATE device_tokens SET ended_at = ? WHERE id = ?', [now().toISOString(), id], transaction),
    );
  };

/** The device that a token speaks for; null for none. */
const deviceOf =
  ({ all, run, write, now }: AccessContext) =>
  async (token: string): Promise<string | null> => {
    const [row] = await all<{ device: string }>('SELECT device FROM device_tokens WHERE id = ? AND ended_at IS NULL', [
      tokenId(token),
    ]);
    if (!row) return null;
    await write((transaction) =>
      run('UPDATE device_tokens SET used_at = ? WHERE id = ?', [now().toISOString(), tokenId(token)], transaction),
    );
    return row.device;
  };

/** The secret in the calendar's address; made when it is first asked for, or anew. */
const calendarKey =
  ({ write, models }: AccessContext) =>
  async (renew = false): Promise<string> => {
    const row = await models.settings.findByPk(CALENDAR_KEY);
    const kept: unknown = row ? JSON.parse(row.value) : null;
    if (!renew && typeof kept === 'string') return kept;
    const made = newToken();
    await write((transaction) =>
      models.settings.upsert({ key: CALENDAR_KEY, value: JSON.stringify(made) }, { transaction }),
    );
    return made;
  };

/** Tokens of devices on a wire, and the secret in the calendar's address. */
export const tokenStore = (context: AccessContext) => ({
  deviceTokens: deviceTokens(context),
  addDeviceToken: addDeviceToken(context),
  endDeviceToken: endDeviceToken(context),
  deviceOf: deviceOf(context),
  calendarKey: calendarKey(context),
});
