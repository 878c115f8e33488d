/** What the Notebook holds beside its trials. */
export const PAGES = [
  { link: '/notebook/handbook', title: 'Handbook', about: 'Every crop’s page with its sources, troubles, media, cautions.' },
] as const;
