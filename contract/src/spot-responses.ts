import * as z from 'zod';
export const absence = z.object({ id: z.string(), fromMs: z.number(), toMs: z.number() });
export type Absence = z.infer<typeof absence>;
