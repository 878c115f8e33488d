/** What the Notebook holds beside its trials. */
export const PAGES = [
  { link: '/notebook/notes', title: 'Notes', about: 'What you wrote down, by date, batch and crop, with pictures.' },
  {
    link: '/notebook/back',
    title: 'Looking back',
    about: 'What came, how soon, what was lost, how the forecast did, and what to do another way.',
  },
  {
    link: '/notebook/practice',
    title: 'Practice',
    about: 'Ten simulated parcels in three minutes: what is this, when to open, what to do, how many.',
  },
  {
    link: '/notebook/workbench',
    title: 'Workbench',
    about: 'Water, room, warmth, weight, dilution, mix, light and units, each with its formula.',
  },
  { link: '/notebook/handbook', title: 'Handbook', about: 'Every crop’s page with its sources, troubles, media, cautions.' },
] as const;
