/** What the Notebook holds beside its trials. */
export const PAGES = [
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
  { link: '/notebook/handbook', title: 'Handbook', about: 'Every crop’s page with its sources, troubles, media, cautions.' },
] as const;
