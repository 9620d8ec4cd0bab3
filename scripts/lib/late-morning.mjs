/**
 * A time zone in which it is eleven and something now. A browser test that measures after a session, or asks for today's, goes the same way at
 * any hour of the day and never runs past midnight.
 * @param {Date} now
 */
export function zoneOfLateMorning(now) {
  const hour = now.getUTCHours();
  // Zones lie between UTC-12 and UTC+14; the sign of Etc names is the other way round (IANA tz database, file etcetera).
  const east = 11 - hour >= -12 ? 11 - hour : 35 - hour;
  return east === 0 ? 'Etc/GMT' : `Etc/GMT${east > 0 ? '-' : '+'}${Math.abs(east)}`;
}
