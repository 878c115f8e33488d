import { FormControl, type AbstractControl, type ValidationErrors, type ValidatorFn } from '@angular/forms';

/** A text field; what it accepts is its validators' to say. */
export const text = (value = '', ...validators: ValidatorFn[]): FormControl<string> =>
  new FormControl(value, { nonNullable: true, validators });

/** A number field holds a number, and null where nothing is typed. */
const typed = (control: AbstractControl): string => String((control.value as string | number | null) ?? '').trim();

/** A whole number in a range; empty is for `Validators.required` to refuse. */
export const wholeFrom =
  (low: number, high: number): ValidatorFn =>
  (control): ValidationErrors | null => {
    const words = typed(control);
    const number = Number(words.replace(',', '.'));
    return words === '' || (Number.isInteger(number) && number >= low && number <= high) ? null : { whole: true };
  };

/** A quantity that a reader understands; empty is for `Validators.required` to refuse. */
export const readBy =
  (read: (words: string) => unknown): ValidatorFn =>
  (control): ValidationErrors | null => {
    const words = typed(control);
    return words === '' || read(words) !== null ? null : { unread: true };
  };

/** A weight in grams such as "23.5" or "23,5 g"; null where the text is none above 0. */
export function readGrams(words: string): number | null {
  const grams = Number(words.replace(',', '.').replace(/\s*g$/i, ''));
  return words.trim() !== '' && Number.isFinite(grams) && grams > 0 ? grams : null;
}
