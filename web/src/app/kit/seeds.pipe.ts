import { Pipe, type PipeTransform } from '@angular/core';
import { counted } from '@fresh-tuck/core/units';

/** "1 seed", "8 seeds". */
@Pipe({ name: 'seeds' })
export class SeedsPipe implements PipeTransform {
  transform(seeds: number): string {
    return counted(seeds, 'seed');
  }
}
