/** The time zone that the studio's days are told in: this machine's, or as the environment's `TZ` says. */
export const studioZone = (): string => Intl.DateTimeFormat().resolvedOptions().timeZone;
