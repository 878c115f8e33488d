import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import type { NurseryTask } from '@fresh-tuck/contract';
import { AboutService } from '../data/household/about.service';
import { PlantDrawing } from '../kit/plant';
import { When } from '../kit/when';
import { NurseryService } from './nursery.service';
import { OutAndGone } from './out-and-gone';
import { PlaceBoard, type Touched } from './place';
import { WeatherForm } from './weather-form';

const HOUR_MS = 3_600_000;

/** Trays, sills and racks with what stands in them, and what is to be done today. */
@Component({
  selector: 'ft-nursery',
  imports: [MatButton, OutAndGone, PlaceBoard, PlantDrawing, RouterLink, WeatherForm, When],
  providers: [NurseryService],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './nursery.html',
  styleUrl: './nursery.scss',
})
export class NurseryScreen {
  protected readonly service = inject(NurseryService);
  protected readonly about = inject(AboutService);
  protected readonly all = this.service.all;
  /** Whether the weather is being told: twenty fields are made only then. */
  protected readonly telling = signal(false);
  protected readonly today = computed(() => this.all()?.tasks.filter(({ today }) => today) ?? []);
  protected readonly later = computed(() => this.all()?.tasks.filter(({ today }) => !today) ?? []);
  /** Labels that something of today is about. */
  protected readonly due = computed(() => new Set(this.today().flatMap(({ numbers }) => numbers)));
  protected readonly nowHour = computed(() => {
    const { at, field } = this.about.moments();
    const nowMs = this.about.nowMs();
    return (nowMs - at(`${field(nowMs).slice(0, 10)}T00:00`)) / HOUR_MS;
  });
  /** The tray that today begins with. */
  protected readonly first = computed(() => {
    const task = this.today().find(({ trayIds }) => trayIds.length > 0);
    const tray = this.all()
      ?.places.flatMap(({ trays }) => trays)
      .find(({ id }) => task?.trayIds.includes(id));
    return tray ?? null;
  });
  /** Whose hours are written: the last that has light. */
  protected readonly axisAt = computed(() => this.all()?.places.findLast(({ light }) => light !== null)?.spotId ?? null);

  protected touch({ number, stage }: Touched): void {
    this.service.stage([number], stage);
  }

  /** What a task is told from the others by. */
  protected keyOf = ({ kind, trayIds, spotId, bedId, batchId, lead }: NurseryTask): string =>
    [kind, trayIds[0], spotId, bedId, batchId, lead].join(' ');
  /** Where a task is worked at that takes more than a touch. */
  protected pageOf({ trayIds }: NurseryTask): string[] | null {
    const tray = this.all()
      ?.places.flatMap(({ trays }) => trays)
      .find(({ id }) => trayIds.includes(id));
    return tray ? ['/nursery', tray.id, tray.batchId] : null;
  }
}
