/** Days and times as the clock on the studio's wall shows them, wherever this device is. */
let zone: string | undefined;

/** From now on moments are told by the clock of this time zone. */
export function keepTimeOf(studiosZone: string | undefined): void {
    zone = studiosZone;
}

const told = (iso: string, form: Intl.DateTimeFormatOptions): string =>
    // A day of the calendar has no clock.
    iso.length === 10
        ? new Intl.DateTimeFormat('en-GB', { ...form, timeZone: 'UTC' }).format(new Date(`${iso}T12:00:00Z`))
        : new Intl.DateTimeFormat('en-GB', { ...form, timeZone: zone }).format(new Date(iso));

/** "27 Nov 2026", of a moment or of a day. */
export const when = (iso: string): string => told(iso, { day: 'numeric', month: 'short', year: 'numeric' });

/** "27 Nov" */
export const shortDay = (iso: string): string => told(iso, { day: 'numeric', month: 'short' });

/** To the minute. */
export const moment = (iso: string): string =>
    told(iso, { day: 'numeric', month: 'short', year: 'numeric', hour: '2-digit', minute: '2-digit' });

/** "09:30" */
export const clock = (iso: string): string => told(iso, { hour: '2-digit', minute: '2-digit' });

/** Today, as 2026-11-27. */
export const today = (now = new Date()): string => new Intl.DateTimeFormat('en-CA', { timeZone: zone }).format(now);
