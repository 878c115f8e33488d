/** Paper that a household prints on, mm. */
export const PAGES = {
  a4: { widthMm: 210, heightMm: 297, label: 'A4' },
  letter: { widthMm: 215.9, heightMm: 279.4, label: 'US letter' },
} as const;
export type PageSize = keyof typeof PAGES;
export const PAGE_SIZES = Object.keys(PAGES) as readonly PageSize[];

/** Printers leave so much of a page's edge white, mm. Common practice, no source. */
export const PRINTER_EDGE_MM = 8;
