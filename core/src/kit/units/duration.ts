/** A running clock: `8:50`, `1:04:10`. Seconds in; a negative time shows as 0:00. */
export function formatClock(seconds: number): string {
  const whole = Math.max(0, Math.floor(seconds));
  const hours = Math.floor(whole / 3600);
  const minutes = Math.floor((whole % 3600) / 60);
  const tail = String(whole % 60).padStart(2, '0');
  return hours > 0 ? `${hours}:${String(minutes).padStart(2, '0')}:${tail}` : `${minutes}:${tail}`;
}

/** A duration in words a painter says: `40 s`, `6 min`, `1 h 10 min`, `14 h`. */
export function formatSpan(seconds: number): string {
  if (seconds < 59.5) return `${Math.round(seconds)} s`;
  const minutes = Math.round(seconds / 60);
  if (minutes < 60) return `${minutes} min`;
  const hours = Math.floor(minutes / 60);
  return minutes % 60 === 0 || hours >= 10 ? `${hours} h` : `${hours} h ${minutes % 60} min`;
}
