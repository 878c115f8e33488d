/** The general pages of the Handbook, in reading order. */
export const PAGES = [
  {
    path: 'troubles',
    title: 'What you may find on a towel',
    about: 'Fuzz, threads, stains, green film, soft seed: what each is, and what it is not.',
  },
  {
    path: 'media',
    title: 'What to lay them on',
    about: 'Paper, cloth, pads and loose media: how much water, how well they are read, what snags.',
  },
  { path: 'schools', title: 'Where growers differ', about: 'Seventeen questions with a fair reason on every side.' },
  { path: 'safety', title: 'Safe practice', about: 'Heat, water, peroxide, mould, blades, dressed and poisonous seed.' },
  { path: 'figures', title: 'Where the figures come from', about: 'Tables, practice and guesses, and what each is worth.' },
] as const;
