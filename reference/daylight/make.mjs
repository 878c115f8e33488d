/**
 * Makes daylight.json: sunrise and sunset by a package that the project does not otherwise use.
 * Made with astronomy-engine 2.1.19 on Node 20: `npm install --no-save astronomy-engine@2.1.19`, then
 * `node reference/daylight/make.mjs > reference/daylight/daylight.json`.
 */
import { Body, Observer, SearchRiseSet } from 'astronomy-engine';

const PLACES = [
  { name: 'on the equator', latitude: 0, longitude: 10 },
  { name: 'in the north', latitude: 55.6, longitude: 12.4 },
  { name: 'in the south', latitude: -33.9, longitude: 18.4 },
];
const DAYS = ['2026-01-15', '2026-03-20', '2026-04-11', '2026-06-21', '2026-09-01', '2026-12-21'];

const days = PLACES.flatMap((place) =>
  DAYS.map((day) => {
    const observer = new Observer(place.latitude, place.longitude, 0);
    // From local midnight on: the first rise, and the set that follows it.
    const midnight = new Date(Date.parse(`${day}T00:00:00Z`) - (place.longitude / 15) * 3_600_000);
    const rise = SearchRiseSet(Body.Sun, observer, +1, midnight, 1).date;
    const set = SearchRiseSet(Body.Sun, observer, -1, rise, 1).date;
    return { ...place, day, rise: rise.toISOString(), set: set.toISOString() };
  }),
);
console.log(JSON.stringify({ madeWith: 'astronomy-engine 2.1.19, Node 20', days }, null, 2));
