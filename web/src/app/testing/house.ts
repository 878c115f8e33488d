import type { HarnessLoader } from '@angular/cdk/testing';
import { TestbedHarnessEnvironment } from '@angular/cdk/testing/testbed';
import { HttpErrorResponse, HttpResponse, provideHttpClient, withInterceptors, type HttpInterceptorFn } from '@angular/common/http';
import { provideZonelessChangeDetection, type Type } from '@angular/core';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { MatButtonHarness } from '@angular/material/button/testing';
import { MatButtonToggleHarness } from '@angular/material/button-toggle/testing';
import { MatFormFieldHarness } from '@angular/material/form-field/testing';
import { MatInputHarness } from '@angular/material/input/testing';
import { provideRouter, Router } from '@angular/router';
import { NEVER, of, throwError } from 'rxjs';
import type { Nursery } from '@fresh-tuck/contract';
import { reportFor, whyFor } from '@fresh-tuck/core/judging';
import { rankWays, type PlanQuestion, type WaysQuestion } from '@fresh-tuck/core/sowing';
import { words } from '@fresh-tuck/core/testing';
import { toldFor, whyInWords } from '@fresh-tuck/core/words';
import { ForecastService } from '../data/forecast/forecast.service';
import { planned } from '../data/forecast/planned';
import { Changes } from '../data/transport/changes.service';
import { ABOUT } from './records';

export * from './records';

/** Something that was asked of the server. */
export interface Asked {
  readonly method: string;
  readonly path: string;
  readonly body: Record<string, unknown>;
  readonly query: Readonly<Record<string, string | null>>;
}
/** Answers by "GET today"; a function sees what was asked. A refusal is a problem with its status. */
export type Answers = Readonly<Record<string, unknown>>;

const EMPTY_NURSERY = {
  ...{ nowMs: ABOUT.nowMs, lead: 'Nothing in the nursery yet', standing: 0, out: 0, gone: 0 },
  ...{ tasks: [], places: [], spots: [], beds: [], racks: [], weather: [], located: false },
} satisfies Nursery;
/** What is answered where a spec says nothing else. */
const USUAL: Answers = {
  'GET season/due': { due: [] },
  'GET about': ABOUT,
  'GET sittings': [],
  'GET calendar/feeds': [],
  'GET nursery': EMPTY_NURSERY,
  'GET spots': [],
  'GET trials': [],
};

/** A file as somebody chooses it. */
export async function choose(screen: Screen<unknown>, label: string, file: File): Promise<void> {
  const field = screen.find<HTMLInputElement>(`input[type=file][aria-label="${label}"]`) ?? fail(`no file button “${label}”`);
  const chosen = new DataTransfer();
  chosen.items.add(file);
  field.files = chosen.files;
  field.dispatchEvent(new Event('change'));
  await screen.settle();
}

/** What the worker computes, computed in place: the same functions of the core. */
const inPlace: Pick<ForecastService, 'parcel' | 'plan' | 'ways' | 'why'> = {
  parcel: (facts, nowMs) => {
    const answers = reportFor(facts, nowMs);
    return of({ answers, judgement: toldFor(facts, answers, words) });
  },
  why: (facts, nowMs) => of(whyInWords(whyFor(facts, nowMs), facts, words)),
  ways(question: WaysQuestion) {
    const { ways, zone, lookingTimes } = ABOUT.household ?? fail('no household');
    return of(rankWays(question, { ways, zone, lookingTimes }));
  },
  plan(question: PlanQuestion) {
    const household = ABOUT.household ?? fail('no household');
    return of(planned(question, household, 0.8, words));
  },
};

function fail(why: string): never {
  throw new Error(why);
}

/** A problem as the server words it. */
export const problem = (status: number, detail: string, errors: readonly { field: string; message: string }[] = []): HttpErrorResponse =>
  new HttpErrorResponse({ status, error: { type: '', title: '', status, detail, errors } });

/** A screen with a server that answers what it is told to, and remembers what it was asked. */
export class Screen<T> {
  readonly loader: HarnessLoader;
  /** What stands above the screen: sheets, menus, options, passing notes. */
  readonly overlays: HarnessLoader;
  constructor(
    readonly fixture: ComponentFixture<T>,
    readonly asked: readonly Asked[],
  ) {
    this.loader = TestbedHarnessEnvironment.loader(fixture);
    this.overlays = TestbedHarnessEnvironment.documentRootLoader(fixture);
  }

  get text(): string {
    return ((this.fixture.nativeElement as HTMLElement).textContent ?? '').replace(/\s+/g, ' ').trim();
  }
  /** What was sent, the last of its kind. */
  sent(method: string, path: string): Asked | undefined {
    return this.asked.findLast((one) => one.method === method && one.path === path);
  }
  /** Where the screen has led to. */
  get url(): string {
    return TestBed.inject(Router).url;
  }
  find = <E extends Element = HTMLElement>(selector: string): E | null =>
    (this.fixture.nativeElement as HTMLElement).querySelector<E>(selector);
  all = <E extends Element = HTMLElement>(selector: string): E[] => [
    ...(this.fixture.nativeElement as HTMLElement).querySelectorAll<E>(selector),
  ];
  /** What stands red below the fields. */
  async errors(): Promise<string[]> {
    const fields = await this.loader.getAllHarnesses(MatFormFieldHarness);
    return (await Promise.all(fields.map((field) => field.getTextErrors()))).flat();
  }
  async click(text: string | RegExp, nth = 0): Promise<void> {
    await this.touch(this.loader, text, nth);
  }
  /** The same in a sheet, a menu or a word's panel. */
  async clickAbove(text: string | RegExp): Promise<void> {
    await this.touch(this.overlays, text, 0);
  }
  /** Opens a word of a sentence, types into its field, and ends with it. */
  async say(word: RegExp, field: string | RegExp, value: string): Promise<void> {
    await this.press(word);
    const input = await this.overlays.getHarness(MatInputHarness.with({ label: field }));
    await input.setValue(value);
    await input.blur();
    await this.leaveWord();
  }
  /** What a word of a sentence says. */
  word(name: string): HTMLElement | null {
    return this.find(`ft-word button[aria-label^="${name}"]`);
  }
  /** Ends with the word that is open; one that was said by a single choice has closed itself. */
  async leaveWord(): Promise<void> {
    const [done] = await this.overlays.getAllHarnesses(MatButtonHarness.with({ text: 'Done' }));
    await done?.click();
    await this.fixture.whenStable();
  }
  /** A button, or a choice of one or of several. */
  private async touch(where: HarnessLoader, text: string | RegExp, nth: number): Promise<void> {
    const buttons = await where.getAllHarnesses(MatButtonHarness.with({ text }));
    const toggles = await where.getAllHarnesses(MatButtonToggleHarness.with({ text }));
    const found = [...buttons.map((one) => () => one.click()), ...toggles.map((one) => () => one.toggle())][nth];
    const all = [...document.querySelectorAll('button')].map((one) => one.textContent.trim());
    await (found ?? fail(`no button “${text}” among ${all.join(', ')}`))();
    await this.fixture.whenStable();
  }
  /** Presses what goes by a name that is not written on it: a seed, a step up or down. */
  async press(name: string | RegExp): Promise<void> {
    const named = this.all<HTMLElement | SVGElement>('[aria-label]').find(({ ariaLabel }) =>
      typeof name === 'string' ? ariaLabel === name : name.test(ariaLabel ?? ''),
    );
    if (!named) fail(`nothing goes by ${name}`);
    // What is disabled takes no click; what is drawn has no click of its own.
    if (named instanceof HTMLElement) named.click();
    else named.dispatchEvent(new MouseEvent('click', { bubbles: true }));
    await this.fixture.whenStable();
  }
  /** The choices that are pressed, by what stands on them. */
  get pressed(): string[] {
    return this.all('[aria-pressed=true], [aria-checked=true]').map((one) => (one.textContent ?? '').replace(/\s+/g, ' ').trim());
  }
  /** Waits for what waits a moment before it asks (a worker is not asked at every letter), and until nothing changes any more. */
  async settle(ms = 60): Promise<void> {
    const pause = (time: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, time));
    await pause(ms);
    for (let before = ''; before !== this.text;) {
      before = this.text;
      await pause(25);
      await this.fixture.whenStable();
    }
  }
  /** Waits until something is so: what goes through the browser's own database takes its time. */
  async until(so: () => boolean): Promise<void> {
    for (let tries = 0; !so() && tries < 200; tries++) await this.settle(20);
  }
  /** Types into a field by its label. */
  async type(label: string | RegExp, value: string): Promise<void> {
    const input = await this.loader.getHarness(MatInputHarness.with({ label }));
    await input.setValue(value);
    await input.blur();
    await this.fixture.whenStable();
  }
}

/** Shows a screen in a house whose server answers so. */
export async function show<T>(component: Type<T>, answers: Answers, inputs: Record<string, unknown> = {}): Promise<Screen<T>> {
  const asked: Asked[] = [];
  const server: HttpInterceptorFn = (request) => {
    const path = request.url.replace(/^\/api\//, '');
    const query = Object.fromEntries(request.params.keys().map((key) => [key, request.params.get(key)]));
    const one: Asked = { method: request.method, path, body: (request.body ?? {}) as Record<string, unknown>, query };
    asked.push(one);
    const key = `${one.method} ${path}`;
    const answer = key in answers ? answers[key] : USUAL[key];
    if (answer === undefined) throw new Error(`nobody said what to answer to ${key}`);
    const body: unknown = typeof answer === 'function' ? (answer as (asked: Asked) => unknown)(one) : answer;
    return body instanceof HttpErrorResponse ? throwError(() => body) : of(new HttpResponse({ status: 200, body }));
  };
  TestBed.configureTestingModule({
    providers: [
      provideZonelessChangeDetection(),
      provideRouter([{ path: '**', children: [] }]),
      provideHttpClient(withInterceptors([server])),
      { provide: Changes, useValue: { reached$: NEVER, changed$: NEVER, keep: <A>(ask: () => A): A => ask() } },
      { provide: ForecastService, useValue: inPlace },
    ],
  });
  const fixture = TestBed.createComponent(component);
  for (const [name, value] of Object.entries(inputs)) fixture.componentRef.setInput(name, value);
  await fixture.whenStable();
  return new Screen(fixture, asked);
}
