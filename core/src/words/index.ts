/** Every sentence the product says about facts, and every word for a code. */
export * from './advice.js';
export * from './again.js';
export * from './alarms.js';
export * from './alive.js';
export * from './away.js';
export * from './bed.js';
export * from './board.js';
export * from './calendar.js';
export * from './cautions.js';
export * from './danger.js';
export * from './figures.js';
export * from './headline.js';
export * from './how-many.js';
export * from './ideas.js';
export * from './journal.js';
export * from './known.js';
export * from './leave.js';
export * from './lift.js';
export * from './mend.js';
export * from './mending.js';
export * from './move-card.js';
export * from './next.js';
export {
  COVER_WORDS,
  partingInWords,
  ROLE_WORDS,
  seedlingEventInWords,
  standsInWords,
  awaitedInWords,
  type SpokenTask,
  type SpokenTray,
} from './nursing.js';
export * from './nursing-tasks.js';
export * from './nursing-beds.js';
export * from './packet.js';
export * from './peroxide.js';
export * from './place.js';
export * from './planned.js';
export * from './reasons.js';
export * from './rooted.js';
export * from './round-sheet.js';
export * from './shares.js';
export * from './sheet.js';
export * from './sitting.js';
export * from './soak.js';
export * from './spot.js';
export * from './supply.js';
export * from './test.js';
export * from './told.js';
export * from './vocabulary.js';
export * from './ways.js';
export * from './why.js';
export * from './worktop.js';
export * from './season.js';
export * from './season-rooms.js';
export * from './season-fit.js';
export * from './trial.js';
export * from './trial-page.js';
export * from './trial-plan.js';
export * from './looking-back.js';
export * from './practice.js';
export * from './workbench.js';
export * from './story.js';
