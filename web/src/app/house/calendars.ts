import { ChangeDetectionStrategy, Component, DestroyRef, inject, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { FormGroup, ReactiveFormsModule, Validators } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import { v7 as uuid } from 'uuid';
import { AboutService } from '../data/household/about.service';
import type { ApiProblem } from '../data/transport/transport.service';
import { Field } from '../kit/field';
import { showProblem } from '../kit/field-errors';
import { text } from '../kit/validators';
import { HouseApi, type Feed } from './house.api';

/** What is to be done, in the calendars that people use besides. */
@Component({
  selector: 'ft-calendars',
  imports: [Field, MatButton, ReactiveFormsModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p>
      Looks, moves, soaks, last counts, ends of chill and days away, on the household’s clock.
      <a href="/api/calendar.ics" download="fresh-tuck.ics">Download them once</a>, or give a calendar a private address at which it asks by
      itself, from this network.
    </p>
    <ul>
      @for (feed of feeds(); track feed.id) {
        <li>
          {{ feed.name }}, since {{ about.moments().dated(feed.madeMs) }}
          <button matButton="text" type="button" class="quiet" (click)="withdraw(feed)">
            Withdraw its address<span class="unseen">: {{ feed.name }}</span>
          </button>
        </li>
      }
    </ul>
    @if (address(); as address) {
      <p role="status">
        Its address, told this once; whoever has it reads the household’s days: <code>{{ address }}</code>
      </p>
    }
    <form [formGroup]="form" (ngSubmit)="add()">
      <ft-field label="Whose calendar" [most]="60" [control]="form.controls.name" accepted="What you call it, like “my telephone”." />
      <button matButton="outlined" type="submit" class="plain">Make an address</button>
    </form>
    <p class="error" role="alert">{{ error() ?? '' }}</p>
  `,
  styles: `
    ul {
      margin: 0;
      padding: 0;
      list-style: none;
    }
    form {
      display: flex;
      flex-wrap: wrap;
      gap: 10px 14px;
      margin-top: 12px;
    }
    ft-field {
      flex: 0 1 260px;
    }
    code {
      overflow-wrap: anywhere;
      user-select: all;
    }
  `,
})
export class Calendars {
  private readonly api = inject(HouseApi);
  private readonly destroyRef = inject(DestroyRef);
  protected readonly about = inject(AboutService);
  protected readonly feeds = signal<readonly Feed[]>([]);
  protected readonly address = signal<string | null>(null);
  protected readonly error = signal<string | null>(null);
  protected readonly form = new FormGroup({ name: text('', Validators.required) });

  constructor() {
    this.fetch();
  }

  private fetch(): void {
    this.api
      .feeds()
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe((feeds) => this.feeds.set(feeds));
  }

  protected add(): void {
    this.form.markAllAsTouched();
    if (this.form.invalid) return;
    this.api
      .addFeed({ id: uuid(), name: this.form.value.name ?? '' })
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({
        next: ({ path }) => {
          this.address.set(`${location.origin}${path}`);
          this.form.reset({ name: '' });
          this.error.set(null);
          this.fetch();
        },
        error: (problem: ApiProblem) => this.error.set(showProblem(this.form, problem)),
      });
  }

  protected withdraw({ id }: Feed): void {
    this.api
      .withdrawFeed(id, { id: uuid() })
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({ next: (feeds) => this.feeds.set(feeds), error: (problem: ApiProblem) => this.error.set(problem.message) });
  }
}
