import type { AbstractControl, FormGroup } from '@angular/forms';
import type { ApiProblem } from '../data/transport/transport.service';

/** Puts the server's refusals at the fields they name; returns what belongs to no field. */
export function showProblem(form: FormGroup, problem: ApiProblem, names: Readonly<Record<string, string>> = {}): string | null {
  let placed = false;
  for (const [key, control] of Object.entries(form.controls)) {
    const message = problem.at(names[key] ?? key);
    if (!message) continue;
    control.setErrors({ server: message });
    control.markAsTouched();
    placed = true;
  }
  return placed ? null : problem.message;
}

/** The sentence under a field: the server's own, or what the field asks for. */
export function fieldError(control: AbstractControl, accepted: string): string {
  const server = control.errors?.['server'] as string | undefined;
  return server ?? accepted;
}
