import { WorktopClock } from './worktop-clock';

const MINUTE = 60_000;

describe('the clock at the worktop', () => {
  it('counts each packet for itself, pauses and other packets left out', () => {
    const clock = new WorktopClock();
    clock.start('a', 0);
    expect(clock.seconds('a', 2 * MINUTE)).toBe(120);
    clock.pause(2 * MINUTE);
    expect(clock.seconds('a', 50 * MINUTE)).toBe(120);
    clock.start('b', 50 * MINUTE);
    clock.start('a', 51 * MINUTE);
    expect([clock.seconds('a', 53 * MINUTE), clock.seconds('b', 53 * MINUTE)]).toEqual([240, 60]);
    // The same packet again goes on, and is not begun anew.
    clock.start('a', 53 * MINUTE);
    expect(clock.seconds('a', 54 * MINUTE)).toBe(300);
  });

  it('takes a table that nobody touches for left: the telephone rang', () => {
    const clock = new WorktopClock();
    clock.start('a', 0);
    clock.touch(MINUTE);
    clock.touch(41 * MINUTE);
    expect(clock.seconds('a', 42 * MINUTE)).toBe(120);
    // Left without a word, no more than five minutes are counted.
    expect(clock.seconds('a', 600 * MINUTE)).toBe(360);
    clock.pause(600 * MINUTE);
    expect(clock.seconds('a', 700 * MINUTE)).toBe(360);
  });
});
