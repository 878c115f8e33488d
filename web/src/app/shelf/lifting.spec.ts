import { Component, provideZonelessChangeDetection, type TemplateRef, viewChild, ViewContainerRef, inject } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { BoardParcel } from '@fresh-tuck/contract';
import { Lifting } from './lifting';
import { aBoardParcel } from './shelf.spec';

@Component({
  selector: 'ft-boards',
  providers: [Lifting],
  template: `
    <div class="warm" style="position: absolute; top: 0; left: 0; width: 300px; height: 80px">
      <button class="bag" style="width: 60px">7</button>
    </div>
    <div class="cold" style="position: absolute; top: 100px; left: 0; width: 300px; height: 80px"></div>
    <ng-template #preview let-parcel
      ><b class="under-way">{{ parcel.title }}</b></ng-template
    >
    <ng-template #placeholder><i></i></ng-template>
  `,
})
class Boards {
  readonly lifting = inject(Lifting);
  readonly viewContainer = inject(ViewContainerRef);
  readonly preview = viewChild.required<TemplateRef<{ $implicit: BoardParcel }>>('preview');
  readonly placeholder = viewChild.required<TemplateRef<unknown>>('placeholder');
}

describe('lifting a bag', () => {
  const parcel = aBoardParcel(7, 30);
  async function boards() {
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
    const fixture = TestBed.createComponent(Boards);
    const root = fixture.nativeElement as HTMLElement;
    Object.assign(root.style, { position: 'fixed', top: '0', left: '0', zIndex: '9999', background: 'white' });
    document.body.append(root);
    await fixture.whenStable();
    const { lifting, preview, placeholder, viewContainer } = fixture.componentInstance;
    const [warm, cold, bag] = ['.warm', '.cold', '.bag'].map((name) => root.querySelector<HTMLElement>(name) ?? root);
    if (!warm || !cold || !bag) throw new Error('nothing is drawn');
    const stages = [
      { spotId: 'warm', element: warm },
      { spotId: 'cold', element: cold },
    ];
    const ready = (one = parcel): void =>
      lifting.ready(bag, one, 'warm', stages, { preview: preview(), placeholder: placeholder(), viewContainer });
    const dropped: string[] = [];
    lifting.dropped$.subscribe(({ parcel: { number }, spotId }) => dropped.push(`${number} ${spotId}`));
    const send = (target: EventTarget, type: string, [x, y]: readonly [number, number]): void =>
      void target.dispatchEvent(new MouseEvent(type, { bubbles: true, cancelable: true, clientX: x, clientY: y, buttons: 1, detail: 1 }));
    const lift = (): void => {
      send(bag, 'mousedown', [20, 10]);
      send(document, 'mousemove', [30, 20]);
      send(document, 'mousemove', [34, 24]);
    };
    const carry = (at: readonly [number, number]): void => send(document, 'mousemove', at);
    const letGo = async (at: readonly [number, number]): Promise<void> => {
      send(document, 'mouseup', at);
      await new Promise((resolve) => setTimeout(resolve, 60));
    };
    return { fixture, lifting, bag, ready, lift, carry, letGo, dropped };
  }

  it('is of no use before a pointer came upon it, and then says what is lifted, over which board, and where it is put down', async () => {
    const { lifting, ready, lift, carry, letGo, dropped } = await boards();
    lift();
    expect(lifting.lifted()).toBeNull();
    await letGo([34, 24]);
    ready();
    lift();
    expect(lifting.lifted()).toBe(parcel);
    expect(document.querySelector('.under-way')?.textContent).toBe('Okra, Quay 7');
    expect(lifting.over()).toBeNull();
    carry([40, 140]);
    carry([42, 142]);
    expect(lifting.over()).toBe('cold');
    await letGo([42, 142]);
    expect(dropped).toEqual(['7 cold']);
    expect([lifting.lifted(), lifting.over()]).toEqual([null, null]);
  });

  it('put down where it stood is no carrying, and what was told anew meanwhile is what is carried', async () => {
    const { lifting, ready, lift, carry, letGo, dropped } = await boards();
    ready();
    const anew = aBoardParcel(7, 6, { title: 'Okra, ready' });
    ready(anew);
    lift();
    expect(lifting.lifted()).toBe(anew);
    carry([60, 40]);
    await letGo([60, 40]);
    expect(dropped).toEqual([]);
  });

  it('is forgotten once it is drawn no more', async () => {
    const { lifting, ready, bag, lift } = await boards();
    ready();
    const board = bag.parentElement;
    bag.remove();
    lifting.tidy();
    board?.append(bag);
    lift();
    expect(lifting.lifted()).toBeNull();
  });
});
