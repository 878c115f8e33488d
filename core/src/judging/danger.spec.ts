import { type ParcelFacts } from '../parcel/index.js';
import { look, NOW, parcel, words } from '../testing/parcel.js';
import { DAY_MS, HOUR_MS } from '../units/index.js';
import { askedBack } from '../warmth/index.js';
import { askBackInWords, toldFor } from '../words/index.js';
import { judge } from './judgement.js';
import { reportFor } from './report.js';

const told = (facts: ParcelFacts, nowMs = NOW) => toldFor(facts, reportFor(facts, nowMs), words);
const leads = (facts: ParcelFacts, nowMs = NOW) => told(facts, nowMs).advice.map(({ lead }) => lead);

/** A parcel in a place that was well until today's thermometer said otherwise. */
function heated(cropId: string, days: number, minC: number, maxC: number, more: Partial<ParcelFacts> = {}): ParcelFacts {
  const facts = parcel(cropId, days, 25, more);
  const [stay] = facts.stays;
  const midnight = NOW - 7 * HOUR_MS - 600_000;
  const today = { fromMs: midnight, toMs: midnight + DAY_MS, minC, maxC };
  return stay ? { ...facts, stays: [{ ...stay, readings: [...stay.readings.map((one) => ({ ...one, toMs: midnight })), today] }] } : facts;
}

describe('heat', () => {
  it('leads all else until somebody settles it, whatever roots and water ask for', () => {
    const late = { looks: [look(40, { tipped: 3, damp: 'drying' as const })] };
    for (const [crop, minC, maxC] of [
      ['tomatillo', 36, 44],
      ['leek', 35, 41],
      ['cucumber', 38, 46],
    ] as const) {
      const facts = heated(crop, 6, minC, maxC, late);
      const said = told(facts);
      expect(said.verdict).withContext(crop).toBe('mend');
      expect(said.advice[0]).toEqual(
        jasmine.objectContaining({
          lead: 'Off the heat now',
          by: 'now',
          tone: 'trouble',
          button: { label: 'Move it to another spot', act: { does: 'place' } },
        }),
      );
      expect(said.advice[0]?.text).toContain(`${maxC} °C`);
      expect(said.headline.lead).toBe('too hot: off the heat now');
      expect(reportFor(facts, NOW).next).toEqual({ atMs: NOW, reason: 'heat', via: 'opened' });
      // Twelve hours and two days on nobody has read anew: it stands as it stood.
      for (const hours of [12, 50])
        expect(reportFor(facts, NOW + hours * HOUR_MS).heat)
          .withContext(`${crop} ${hours}`)
          .not.toBeNull();
    }
  });

  it('is settled by a later reading or another board, and what it may have cost is still said', () => {
    const facts = heated('tomatillo', 6, 38, 44);
    const [stay] = facts.stays;
    if (!stay) throw new Error('no stay');
    const later = NOW + 30 * HOUR_MS;
    const cooled = { fromMs: NOW + 17 * HOUR_MS, toMs: NOW + 41 * HOUR_MS, minC: 24, maxC: 26 };
    const read = { ...facts, stays: [{ ...stay, readings: [...stay.readings, cooled] }] };
    const away = { ...facts, stays: [stay, { fromMs: NOW + HOUR_MS, readings: [], guess: { minC: 20, maxC: 22 } }] };
    for (const one of [read, away]) expect(reportFor(one, later).heat).toBeNull();
    expect(leads(read, later)[0]).toBe('It has been too hot');
    // A warm hour at noon is no alarm.
    expect(reportFor(heated('tomatillo', 6, 24, 37.5), NOW).heat).toBeNull();
  });

  it('takes its toll of what had not shown, and not of the packet', () => {
    const looks = [look(5, { tipped: 2, damp: 'damp' as const })];
    const [well, cooked] = [parcel('okra', 4, 27, { seeds: 12, looks }), heated('okra', 4, 44, 50, { seeds: 12, looks })];
    const [before, after] = [reportFor(well, NOW), reportFor(cooked, NOW)];
    expect(after.toll.survival).toBeLessThan(0.6);
    expect(after.end.mean).toBeLessThan(0.75 * before.end.mean);
    expect(after.chanceQuietAlive).toBeLessThan(0.75 * before.chanceQuietAlive);
    // Two were seen before the heat: they are not unseen by it.
    expect(after.state.tipped).toBe(2);
    // And where nothing more has come a week later, it is the heat that is blamed, not the lot.
    const silent = (facts: ParcelFacts) =>
      reportFor({ ...facts, looks: [...looks, look(-160, { tipped: 2, damp: 'damp' })] }, NOW + 7 * DAY_MS);
    expect(silent(cooked).supply.deadChance).toBeLessThanOrEqual(silent(well).supply.deadChance);
  });

  it('asks an extreme back, each way, in the household’s degrees', () => {
    const ask = (minC: number, maxC: number) => askBackInWords(askedBack({ minC, maxC }), { minC, maxC }, words);
    expect(ask(31, 45)).toBe('45 °C? Most wet seed dies there. If it is so, take everything off that place first.');
    expect(ask(-6, 4)).toMatch(/^-6 °C\? Wet seed freezes there/);
    expect(ask(19, 31)).toBeNull();
  });
});

describe('dryness', () => {
  const feeling = (damp: 'dry' | 'drying', hoursAgo: number, more: Partial<ParcelFacts> = {}): ParcelFacts =>
    parcel('celeriac', 5, 20, { looks: [look(hoursAgo, { tipped: 0, damp })], ...more });

  it('that was felt stays first until a look says damp or water is given, on Today as on the batch', () => {
    for (const hours of [0.2, 12, 36, 60]) {
      const said = told(feeling('drying', hours));
      expect(said.advice[0]?.lead)
        .withContext(`${hours} h`)
        .toMatch(/^(Re-damp|Wet) the towel$/);
      expect(said.headline.lead).toMatch(/: wet it now$/);
      // Nothing is left shut beside it.
      expect(said.advice.some(({ lead }) => lead.startsWith('Leave it shut'))).toBeFalse();
      expect(reportFor(feeling('drying', hours), NOW).next.atMs).toBe(NOW);
    }
    const settled: Partial<ParcelFacts>[] = [
      { looks: [look(30, { tipped: 0, damp: 'drying' }), look(1, { tipped: 0, damp: 'damp' })] },
      { looks: [look(30, { tipped: 0, damp: 'drying' }), look(1, { rewetted: true, damp: 'drying' })] },
      // The scale saw it full; a mate's towel in the same bag was wetted.
      { weighings: [{ atMs: NOW - HOUR_MS, fullMs: NOW - HOUR_MS, shareLeft: 1 }] },
      { bagDamp: [{ atMs: NOW - HOUR_MS, damp: 'drying', rewetted: true }] },
    ];
    for (const more of settled)
      expect(reportFor(feeling('drying', 30, more), NOW).thirst)
        .withContext(JSON.stringify(more))
        .toBeNull();
  });

  it('is told as the likelier state after days away, and goes when somebody says damp', () => {
    const away = parcel('chives', 16, 23, { closure: 'lidded', looks: [look(300, { tipped: 0, damp: 'damp' })] });
    const said = told(away);
    expect(said.advice[0]?.lead).toBe('Feel the towel: it is likely dry');
    expect(said.headline.lead).toBe('likely dry');
    expect(said.giveMl).toBeGreaterThan(4);
    expect(leads({ ...away, looks: [...away.looks, look(0.1, { tipped: 0, damp: 'damp' })] })[0]).not.toContain('Feel the towel');
    // A day past its hour it may be drying, and is felt when it is opened.
    const soon = parcel('chives', 4.6, 23, { closure: 'lidded', looks: [look(60, { tipped: 0, damp: 'damp' })] });
    expect(told(soon).headline.lead).toBe('may be drying');
    expect(reportFor(soon, NOW).next).toEqual({ atMs: NOW, reason: 'water', via: 'opened' });
  });

  it('is no time in which seed could have come', () => {
    const looks = [look(190, { tipped: 0, damp: 'dry' as const }), look(4, { tipped: 0, damp: 'drying' as const, rewetted: true })];
    const [dry, damp] = [
      parcel('leek', 12, 21, { looks }),
      parcel('leek', 12, 21, { looks: looks.map((one) => ({ ...one, damp: 'damp' as const })) }),
    ];
    const [paused, run] = [reportFor(dry, NOW), reportFor(damp, NOW)];
    expect(paused.progressNow).toBeLessThan(0.5 * run.progressNow);
    expect(paused.chanceQuietAlive).toBeGreaterThan(run.chanceQuietAlive + 0.1);
    expect(paused.patienceMs).toBeGreaterThan(run.patienceMs + 5 * DAY_MS);
  });

  it('or a trouble that may come back asks for a look the next day', () => {
    const quiet = { prior: { ...parcel('parsnip', 2, 20).prior } };
    const seen = (more: object) => parcel('parsnip', 2, 20, { ...quiet, looks: [look(1, { tipped: 0, damp: 'damp', ...more })] });
    const plain = reportFor(seen({}), NOW).next;
    expect(plain.atMs).toBeGreaterThan(NOW + 30 * HOUR_MS);
    for (const more of [{ troubles: ['threads'] }, { troubles: ['soft_seed'] }, { damp: 'pooling' }]) {
      const { atMs, reason } = reportFor(seen(more), NOW).next;
      expect([reason, atMs <= NOW + 30 * HOUR_MS])
        .withContext(JSON.stringify(more))
        .toEqual(['trouble', true]);
    }
    const tomorrow = { ...seen({ troubles: ['threads'] }), lookTimesMs: seen({}).lookTimesMs };
    expect(told({ ...tomorrow, looks: [look(25, { tipped: 0, damp: 'damp', troubles: ['threads'] })] }).headline).toEqual(
      jasmine.objectContaining({ lead: 'look again', tone: 'trouble' }),
    );
  });
});

describe('a soak', () => {
  it('is never looked into before it is to be out, and is due out by its hours', () => {
    const start = NOW - 2 * HOUR_MS;
    const bean = parcel('broad-bean', 2 / 24, 20, { prepared: ['soak'], soakUntilMs: start + 24 * HOUR_MS });
    const { soaking, next, thirst } = reportFor(bean, NOW);
    expect(soaking?.enoughMs).toBe(start + 12 * HOUR_MS);
    expect(next).toEqual({ atMs: jasmine.any(Number) as unknown as number, reason: 'soak', via: 'opened' });
    expect(next.atMs).toBeGreaterThanOrEqual(start + 12 * HOUR_MS);
    expect(next.atMs).toBeLessThanOrEqual(start + 24 * HOUR_MS);
    expect(thirst).toBeNull();
    expect(leads(bean)).toEqual(['Leave it in the water']);
    // Out of it: dried off and laid, it dries from then on.
    const out = { ...bean, looks: [look(-20, { damp: 'damp' })] };
    expect(reportFor(out, NOW + 21 * HOUR_MS).soaking).toBeNull();
    // Felt drying as it came out, ten minutes before its hour: that stands.
    const early = { ...bean, looks: [look(-21.8, { damp: 'drying' })] };
    expect(reportFor(early, NOW + 34 * HOUR_MS).thirst).toEqual(jasmine.objectContaining({ felt: true }));
    // Forgotten past its limit, it is told so first.
    const forgotten = judge(bean, reportFor(bean, start + 40 * HOUR_MS));
    expect(forgotten.counsel[0]).toEqual(jasmine.objectContaining({ what: 'drowning', over: true }));
  });
});
