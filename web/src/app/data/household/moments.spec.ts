import { moments } from './moments';

describe('moments', () => {
  it('are told on the household’s clock, summer and winter', () => {
    const said = moments('Europe/Copenhagen', Date.parse('2026-04-11T05:10:00Z'));
    expect(said.full(Date.parse('2026-04-11T05:10:00Z'))).toBe('Saturday 11 April, 07:10');
    expect(said.short(Date.parse('2026-12-01T22:30:00Z'))).toBe('Tue 1 Dec, 23:30');
    expect(said.field(Date.parse('2026-04-10T22:05:00Z'))).toBe('2026-04-11T00:05');
    expect([said.dated(Date.parse('2026-05-20T10:00:00Z')), said.dated(Date.parse('2025-03-02T10:00:00Z'))]).toEqual([
      'Wed 20 May',
      'Sun 2 Mar 2025',
    ]);
    expect(
      ['2026-04-11T05:08:00Z', '2026-04-10T16:30:00Z', '2026-04-08T04:45:00Z', '2026-04-02T04:45:00Z'].map((at) =>
        said.spoken(Date.parse(at)),
      ),
    ).toEqual(['this morning, 07:08', 'yesterday evening, 18:30', 'Wed 06:45', 'Thu 2 Apr, 06:45']);
    // What a date field holds is the household's clock, on both sides of a change.
    for (const at of ['2026-03-29T00:30:00Z', '2026-03-29T01:30:00Z', '2026-10-24T22:30:00Z', '2026-10-25T06:00:00Z'])
      expect(said.at(said.field(Date.parse(at)))).toBe(Date.parse(at));
    expect(said.at('yesterday')).toBeNaN();
    expect(said.partOfDay).toBe('morning');
    expect(moments('Pacific/Auckland', Date.parse('2026-04-11T05:10:00Z')).partOfDay).toBe('evening');
  });
});
