import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, signal } from '@angular/core';
import { NgTemplateOutlet } from '@angular/common';
import { MatButton } from '@angular/material/button';
import { MatDialog } from '@angular/material/dialog';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { FormGroup, type FormGroupDirective, ReactiveFormsModule, Validators } from '@angular/forms';
import type { Observable } from 'rxjs';
import { v7 as uuid } from 'uuid';
import type { Bed, Rack } from '@fresh-tuck/contract';
import { formatMetres, parseMetres } from '@fresh-tuck/core/units';
import { AboutService } from '../data/household/about.service';
import { Changes } from '../data/transport/changes.service';
import { type ApiProblem } from '../data/transport/transport.service';
import { Field } from '../kit/field';
import { showProblem } from '../kit/field-errors';
import { readBy, text, wholeFrom } from '../kit/validators';
import { HouseApi } from './house.api';

/** Widest that a bed is drawn, px. */
const MOST_PX = 150;

/** Where plants end: beds to scale with what stands in them, racks by their slots; each corrected, put away or removed. */
@Component({
  selector: 'ft-garden',
  imports: [Field, MatButton, NgTemplateOutlet, ReactiveFormsModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './garden.html',
  styleUrl: './garden.scss',
})
export class Garden {
  private readonly api = inject(HouseApi);
  private readonly about = inject(AboutService);
  private readonly changes = inject(Changes);
  private readonly dialogs = inject(MatDialog);
  private readonly destroyRef = inject(DestroyRef);
  private readonly keep = <T>(ask: () => Observable<T[]>) => toSignal(this.changes.keep(ask), { initialValue: [] as T[] });
  protected readonly beds = this.keep(() => this.api.beds());
  protected readonly racks = this.keep(() => this.api.racks());
  protected readonly bedsAway = this.keep(() => this.api.bedsAway());
  protected readonly racksAway = this.keep(() => this.api.racksAway());
  protected readonly away = computed(() => [
    ...this.bedsAway().map(({ id, name }) => ({ id, name, what: 'beds' as const })),
    ...this.racksAway().map(({ id, name }) => ({ id, name, what: 'racks' as const })),
  ]);
  /** The bed or rack that is corrected; "bed" or "rack" for a new one. */
  protected readonly open = signal<string | null>(null);
  protected readonly error = signal<string | null>(null);
  protected readonly unit = computed(() => (this.about.household().units === 'us' ? 'ft' : 'm'));
  protected readonly side = 'A length like 1.2, 80 cm or 4 ft.';
  private readonly metres = (words: string): number | null => parseMetres(words, this.about.household().units);
  protected readonly bedForm = new FormGroup({
    name: text('', Validators.required),
    widthM: text('', Validators.required, readBy(this.metres)),
    lengthM: text('', Validators.required, readBy(this.metres)),
    madeYear: text('', wholeFrom(1950, 2100)),
  });
  protected readonly rackForm = new FormGroup({
    name: text('', Validators.required),
    slots: text('', Validators.required, wholeFrom(1, 400)),
  });
  /** The version that is being changed; null for something new. */
  private basedOn: number | null = null;

  protected readonly drawn = computed(() => {
    const longest = Math.max(...this.beds().flatMap(({ widthM, lengthM }) => [widthM, lengthM]), 0.1);
    const px = (m: number): number => Math.max((m / longest) * MOST_PX, 12);
    return this.beds().map((bed) => ({
      ...bed,
      // Lying down: the longer side along the page.
      w: px(Math.max(bed.widthM, bed.lengthM)),
      h: px(Math.min(bed.widthM, bed.lengthM)),
      full: Math.min(bed.taken.areaM2 / (bed.widthM * bed.lengthM), 1),
      size: `${this.length(bed.widthM)} × ${this.length(bed.lengthM)}`,
      standing: bed.taken.crops.map(({ name, plants }) => `${plants} ${name}`).join(', '),
    }));
  });

  private length(metres: number): string {
    return formatMetres(metres, this.about.household().units);
  }

  protected unfold(id: string, thing: Bed | Rack | null = null): void {
    this.error.set(null);
    if (this.open() === id) return this.open.set(null);
    this.open.set(id);
    this.basedOn = thing?.version ?? null;
    if (thing && 'slots' in thing) this.rackForm.reset({ name: thing.name, slots: String(thing.slots) });
    else if (thing)
      this.bedForm.reset({
        name: thing.name,
        widthM: this.length(thing.widthM),
        lengthM: this.length(thing.lengthM),
        madeYear: thing.madeYear === null ? '' : String(thing.madeYear),
      });
    else {
      this.bedForm.reset();
      this.rackForm.reset();
    }
  }

  protected saveBed(id: string | null, sent: FormGroupDirective): void {
    if (this.bedForm.invalid) return;
    const { name, widthM, lengthM, madeYear } = this.bedForm.getRawValue();
    const body = {
      id: uuid(),
      name,
      widthM: this.metres(widthM) ?? 0,
      lengthM: this.metres(lengthM) ?? 0,
      madeYear: String(madeYear).trim() === '' ? null : Number(madeYear),
    };
    this.run(id === null ? this.api.addBed(body) : this.api.changeBed(id, { ...body, version: this.basedOn ?? 0 }), this.bedForm, sent);
  }

  protected saveRack(id: string | null, sent: FormGroupDirective): void {
    if (this.rackForm.invalid) return;
    const { name, slots } = this.rackForm.getRawValue();
    const body = { id: uuid(), name, slots: Number(slots) };
    this.run(id === null ? this.api.addRack(body) : this.api.changeRack(id, { ...body, version: this.basedOn ?? 0 }), this.rackForm, sent);
  }

  /** A tray of the usual size, to be measured anew. */
  protected readonly tray = { name: 'A tray', widthM: 0.3, lengthM: 0.5 };

  protected template({ name, widthM, lengthM }: Pick<Bed, 'name' | 'widthM' | 'lengthM'>): void {
    void import('../print/print-template').then(({ PrintTemplate }) =>
      this.dialogs.open(PrintTemplate, { width: '520px', data: { name, widthM, lengthM } }),
    );
  }

  protected shelve(what: 'beds' | 'racks', id: string, how: 'away' | 'back' | 'removals'): void {
    this.run(this.api.shelve(what, id, how, { id: uuid() }));
  }

  private run(request: Observable<unknown>, form: FormGroup | null = null, sent: FormGroupDirective | null = null): void {
    request.pipe(takeUntilDestroyed(this.destroyRef)).subscribe({
      next: () => {
        sent?.resetForm();
        this.open.set(null);
        this.error.set(null);
      },
      error: (problem: ApiProblem) => this.error.set(form ? showProblem(form, problem) : problem.message),
    });
  }
}
