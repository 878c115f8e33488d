import { computed, signal } from '@angular/core';
import { emptyDraft, type Draft } from './draft';

/** The draft of one look, with every step on the way to it. */
export class DraftHistory {
  private readonly past = signal<readonly Draft[]>([]);
  private readonly present = signal<Draft>(emptyDraft(null));

  readonly draft = this.present.asReadonly();
  readonly canUndo = computed(() => this.past().length > 0);

  begin(draft: Draft): void {
    this.past.set([]);
    this.present.set(draft);
  }

  change(next: (draft: Draft) => Draft): void {
    this.past.update((past) => [...past, this.present()]);
    this.present.update(next);
  }

  takeBack(): void {
    const last = this.past().at(-1);
    if (!last) return;
    this.past.update((past) => past.slice(0, -1));
    this.present.set(last);
  }
}
