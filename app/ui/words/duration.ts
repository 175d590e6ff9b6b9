// How long something takes, in words.

/** "1:05" of milliseconds. */
export function sayClock(ms: number): string {
  const seconds = Math.floor(ms / 1000);
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, "0")}`;
}

/** How long a step usually takes. */
export const sayUsual = (minutes: number): string =>
  minutes < 1 ? "usually under a minute" : `usually ${Math.round(minutes)} min`;

/** "about 7 minutes", "about 1 h 20 min". */
export function sayMinutes(minutes: number): string {
  const whole = Math.max(1, Math.round(minutes));
  if (whole < 60) return whole === 1 ? "a minute" : `${whole} minutes`;
  return `${Math.floor(whole / 60)} h ${whole % 60} min`;
}
