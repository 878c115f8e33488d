import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { Mark } from '@fresh-tuck/core/drawing';

/** Lines, shapes and words of a drawing; those of a sowing together lead to its page. */
@Component({
  selector: 'svg:g[ftMarks]',
  imports: [RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  styleUrl: './marks.scss',
  template: `
    @for (group of groups(); track $index) {
      @if (group.of === null) {
        @for (mark of group.marks; track $index) {
          @if (mark.kind === 'path') {
            <svg:path [attr.class]="mark.cls" [attr.d]="mark.d" />
          } @else {
            <svg:text [attr.class]="mark.cls" [attr.x]="mark.x" [attr.y]="mark.y" [attr.text-anchor]="mark.anchor">
              {{ mark.text }}
            </svg:text>
          }
        }
      } @else {
        <svg:a
          [routerLink]="['/season', group.of]"
          [queryParams]="query()"
          [attr.aria-label]="group.again ? null : group.title"
          [attr.aria-hidden]="group.again || null"
          [attr.tabindex]="group.again ? -1 : null"
        >
          @for (mark of group.marks; track $index) {
            @if (mark.kind === 'path') {
              <svg:path [attr.class]="mark.cls" [attr.d]="mark.d" />
            } @else {
              <svg:text [attr.class]="mark.cls" [attr.x]="mark.x" [attr.y]="mark.y" [attr.text-anchor]="mark.anchor">
                {{ mark.text }}
              </svg:text>
            }
          }
        </svg:a>
      }
    }
  `,
})
export class Marks {
  readonly marks = input.required<readonly Mark[]>({ alias: 'ftMarks' });
  /** What each sowing is called, for who hears it. */
  readonly titles = input<ReadonlyMap<string, string>>(new Map());
  readonly query = input<Record<string, number> | null>(null);

  protected readonly groups = computed(() => {
    // Words over the lines lead where their sowing's own link does: for a hand, and not once more for who hears it.
    const groups: { of: string | null; title: string; again: boolean; marks: Mark[] }[] = [];
    const seen = new Set<string>();
    for (const mark of this.marks()) {
      const of = mark.of !== undefined && this.titles().has(mark.of) ? mark.of : null;
      const last = groups.at(-1);
      if (last && last.of === of) last.marks.push(mark);
      else {
        groups.push({ of, title: of === null ? '' : (this.titles().get(of) ?? ''), again: of !== null && seen.has(of), marks: [mark] });
        if (of !== null) seen.add(of);
      }
    }
    return groups;
  });
}
