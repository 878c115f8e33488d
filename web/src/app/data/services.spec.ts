import { HttpErrorResponse } from '@angular/common/http';
import { Component, inject, provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { MatButtonHarness } from '@angular/material/button/testing';
import { firstValueFrom, of, Subject } from 'rxjs';
import { reportFor, whyFor } from '@fresh-tuck/core/judging';
import { look, NOW, parcel, words } from '@fresh-tuck/core/testing';
import { toldFor, whyInWords } from '@fresh-tuck/core/words';
import { ABOUT, aBatch, problem, show } from '../testing/house';
import { ForecastService } from './forecast/forecast.service';
import { WhyService } from './forecast/why.service';
import { AboutService } from './household/about.service';
import { PeopleService } from './household/people.service';
import { UndoOffer } from './household/undo-offer.service';
import { Changes } from './transport/changes.service';
import { problemFrom } from './transport/transport.service';

/** A stream of the server in the hands of a spec. */
class Stream {
  static last: Stream | null = null;
  static open = 0;
  private readonly listeners = new Map<string, () => void>();
  constructor(readonly url: string) {
    Stream.last = this;
    Stream.open++;
  }
  addEventListener(name: string, act: () => void): void {
    this.listeners.set(name, act);
  }
  say(name: 'open' | 'changed'): void {
    this.listeners.get(name)?.();
  }
  close(): void {
    Stream.open--;
  }
}

describe('the stream of changes', () => {
  const native = globalThis.EventSource;
  let changes: Changes;
  beforeEach(() => {
    globalThis.EventSource = Stream as unknown as typeof EventSource;
    Stream.open = 0;
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
    changes = TestBed.inject(Changes);
  });
  afterEach(() => (globalThis.EventSource = native));

  it('asks now, after every change, and again when the server is back', () => {
    let asked = 0;
    let reached = 0;
    changes.reached$.subscribe(() => reached++);
    const watching = changes.keep(() => of(++asked)).subscribe();
    expect([asked, Stream.last?.url]).toEqual([1, '/api/events']);
    Stream.last?.say('open');
    expect([asked, reached]).toEqual([1, 1]);
    Stream.last?.say('changed');
    expect(asked).toBe(2);
    // What changed while nobody heard is asked for.
    Stream.last?.say('open');
    expect([asked, reached]).toEqual([3, 2]);
    watching.unsubscribe();
  });

  it('is one stream for all screens, and none when the last is gone', () => {
    const watching = [1, 2, 3].map(() => changes.keep(() => of(0)).subscribe());
    expect(Stream.open).toBe(1);
    watching.slice(1).forEach((one) => one.unsubscribe());
    expect(Stream.open).toBe(1);
    watching[0]?.unsubscribe();
    expect(Stream.open).toBe(0);
  });

  it('lets go of an answer that a newer question has overtaken', () => {
    const answers = [new Subject<string>(), new Subject<string>()];
    let turn = 0;
    const said: string[] = [];
    const watching = changes.keep(() => answers[turn++] ?? of('')).subscribe((answer) => said.push(answer));
    Stream.last?.say('changed');
    answers[0]?.next('old');
    answers[1]?.next('new');
    expect(said).toEqual(['new']);
    watching.unsubscribe();
  });
});

describe('a refusal', () => {
  it('is told in the server’s words, field by field', () => {
    const told = problemFrom(problem(422, 'year must not lie after 2027', [{ field: 'year', message: 'year must not lie after 2027' }]));
    expect([told.message, told.status, told.at('year'), told.at('variety')]).toEqual([
      'The year must not lie after 2027.',
      422,
      'The year must not lie after 2027.',
      null,
    ]);
  });

  it('is a sentence also where there is no server, no body, or something else broke', () => {
    expect(problemFrom(new HttpErrorResponse({ status: 0 })).message).toMatch(/does not answer\. Nothing was saved/);
    expect(problemFrom(new HttpErrorResponse({ status: 500, error: null })).message).toBe('The server could not do that.');
    expect(problemFrom(new TypeError('x')).message).toBe('Something went wrong here.');
  });
});

@Component({ template: '' })
class Bare {
  readonly about = inject(AboutService);
  readonly people = inject(PeopleService);
  readonly offer = inject(UndoOffer);
  readonly why = inject(WhyService);
}

describe('what is known of the household', () => {
  it('goes by the server’s clock, however the browser’s stands', async () => {
    const { fixture } = await show(Bare, {});
    const { about } = fixture.componentInstance;
    expect(Math.abs(about.nowMs() - ABOUT.nowMs)).toBeLessThan(2000);
    expect(about.moments().full(about.nowMs())).toBe('Saturday 11 April, 07:10');
    about.take({ ...ABOUT, nowMs: ABOUT.nowMs + 11 * 3_600_000 });
    expect(about.moments().partOfDay).toBe('evening');
    expect(about.settled()).toBeTrue();
  });

  it('has its ways by what is usual before the first run', async () => {
    const { fixture } = await show(Bare, { 'GET about': { ...ABOUT, household: null } });
    const { about } = fixture.componentInstance;
    expect([about.settled(), about.household().name, about.household().ways.sureness]).toEqual([false, 'Home', 0.9]);
  });

  it('knows who looked, and nobody where the server does not say', async () => {
    const screen = await show(Bare, { 'GET people': problem(500, 'broken') });
    expect(await firstValueFrom(screen.fixture.componentInstance.people.names$)).toEqual([]);
  });

  it('asks for the reasons of a batch by one question of its own', async () => {
    const screen = await show(Bare, { 'GET batches/b1/why': { seeds: 8 } });
    const { why } = screen.fixture.componentInstance;
    expect(why.of('b1')).toBe(why.of('b1'));
    expect(why.of('b2')).not.toBe(why.of('b1'));
    expect(await firstValueFrom(why.of('b1')())).toEqual({ seeds: 8 } as never);
  });

  it('offers to take back what was saved, and opens the parcel again as it was before', async () => {
    const screen = await show(Bare, { 'POST batches/b1/undos': aBatch() });
    screen.fixture.componentInstance.offer.show('b1', 'e7', 'Look at 7 saved.');
    await screen.settle(60);
    await (await screen.overlays.getHarness(MatButtonHarness.with({ text: 'Undo' }))).click();
    await screen.until(() => screen.url === '/open/b1');
    expect(screen.sent('POST', 'batches/b1/undos')?.body['entryId']).toBe('e7');
    expect(screen.url).toBe('/open/b1');
  });

  it('says why something could not be taken back', async () => {
    const screen = await show(Bare, { 'POST batches/b1/undos': problem(422, 'entryId: 2 of its sprouts were moved; undo the move first') });
    screen.fixture.componentInstance.offer.show('b1', 'e7', 'Look at 7 saved.');
    await screen.settle(60);
    await (await screen.overlays.getHarness(MatButtonHarness.with({ text: 'Undo' }))).click();
    await screen.until(() => document.body.textContent?.includes('undo the move first') ?? false);
    const said = [...document.querySelectorAll('simple-snack-bar')].map((one) => one.textContent ?? '');
    expect(said.some((text) => text.includes('2 of its sprouts were moved'))).toBeTrue();
    document.querySelectorAll('.cdk-overlay-container > *').forEach((one) => one.remove());
  });
});

describe('the forecast’s worker', () => {
  /** The real worker beside the thumb, and the same functions on the page. */
  const service = (): ForecastService => {
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        { provide: AboutService, useValue: { household: () => ABOUT.household, nowMs: () => NOW } },
      ],
    });
    return TestBed.inject(ForecastService);
  };
  const facts = parcel('okra', 4, 27, { looks: [look(20, { tipped: 2 })] });

  it('answers as the core does, each question its own answer however many wait', async () => {
    const forecasts = service();
    const answers = reportFor(facts, NOW);
    const asked = [facts, parcel('leek', 9, 18), facts].map((one) => firstValueFrom(forecasts.parcel(one, NOW)));
    const why = firstValueFrom(forecasts.why(facts, NOW));
    const [first, other, again] = await Promise.all(asked);
    expect(first?.answers).toEqual(structuredClone(answers));
    expect(first?.judgement).toEqual(structuredClone(toldFor(facts, answers, words)));
    expect(again?.answers).toEqual(first?.answers as never);
    expect(other?.answers.state.tipped).toBe(0);
    expect(await why).toEqual(structuredClone(whyInWords(whyFor(facts, NOW), facts, words)));
  }, 30_000);

  it('says that it could not, and goes on answering', async () => {
    const forecasts = service();
    await expectAsync(firstValueFrom(forecasts.parcel({ ...facts, method: 'spoon' as never }, NOW))).toBeRejectedWithError(
      'The forecast could not be computed.',
    );
    expect((await firstValueFrom(forecasts.parcel(facts, NOW))).answers.state.tipped).toBe(2);
  }, 30_000);
});
