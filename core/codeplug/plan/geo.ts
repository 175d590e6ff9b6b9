// Distances on the earth, as a sphere of its mean radius (WGS-84: 6,371,008.8 m). Good to half a percent, which is better than any aerial knows.

/** In degrees; north and east are positive. */
export type Coordinates = { readonly latitude: number; readonly longitude: number };

/** In metres. */
export const EARTH_RADIUS = 6_371_008.8;
const RADIANS = Math.PI / 180;

/** Whether that is a place on the earth. */
export const isPlace = ({ latitude, longitude }: Coordinates): boolean =>
  Number.isFinite(latitude) &&
  Number.isFinite(longitude) &&
  Math.abs(latitude) <= 90 &&
  Math.abs(longitude) <= 180;

/** The great-circle distance in metres (haversine: it stays exact for what lies close together). */
export function distance(a: Coordinates, b: Coordinates): number {
  const north = ((b.latitude - a.latitude) * RADIANS) / 2;
  const east = ((b.longitude - a.longitude) * RADIANS) / 2;
  const h =
    Math.sin(north) ** 2 +
    Math.cos(a.latitude * RADIANS) * Math.cos(b.latitude * RADIANS) * Math.sin(east) ** 2;
  return 2 * EARTH_RADIUS * Math.asin(Math.min(1, Math.sqrt(h)));
}
