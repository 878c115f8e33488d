import type { WhatIfRequest } from '@fresh-tuck/contract';
import { batchView } from '../views/batch.js';
import { finder } from '../find/finder.js';
import { seasonDays } from '../season/days.js';
import { seasonView } from '../season/view.js';
import { roundSheet } from '../print/round.js';
import { bedsOf } from '../nursery/in-beds.js';
import { nurseryView } from '../nursery/boards.js';
import { storyView } from '../notebook/story.js';
import { notesView, type NotesAsked } from '../notebook/notes-view.js';
import { lookingBackView } from '../notebook/looking-back.js';
import { nurseryPageView, type NurseryAsked } from '../nursery/view.js';
import { boxView, type BoxQuestion } from '../views/box.js';
import { packetsAsCsv } from '../packets/csv.js';
import { ideasView } from '../views/ideas.js';
import { startView } from '../views/start.js';
import { packetView } from '../views/packet.js';
import { shelfQuestions } from '../views/shelf.js';
import { calendarEntries } from '../views/calendar.js';
import { awayView } from '../views/away.js';
import { spotQuestions } from '../views/spot.js';
import { todayView } from '../today/view.js';
import { trialViews } from '../trials/view.js';
import type { Grouping } from '@fresh-tuck/core/trials';
import type { Reader } from '../forecasts/reader.js';

/** Packets that are named at once to choose from. */
const MOST_NAMES = 60;
/** A stretch of work ahead that nobody notices who asks something meanwhile, ms. */
const FILL_MS = 80;

/**
 * The questions that span a household or cost a forecast. They are answered
 * beside the request loop, each in one read transaction.
 */
export function questionsOn(reader: Reader) {
  const { forecasts, household, racks, seasons, packets } = reader;
  const batch = batchView(reader);
  const today = todayView(reader);
  const packet = packetView(reader);
  const box = boxView(reader, packet);
  const nursery = nurseryView(reader);
  const nurseryPage = nurseryPageView(reader);
  const inBeds = bedsOf(reader);
  const { find, packetsBy } = finder(reader);
  const start = startView(reader);
  const ideas = ideasView(reader);
  const round = roundSheet(reader);
  const boards = shelfQuestions(reader);
  const warmth = spotQuestions(reader);
  const away = awayView(reader);
  const season = seasonView(reader, packet);
  const trials = trialViews(reader);
  const back = lookingBackView(reader);
  const notes = notesView(reader);
  const story = storyView(reader);
  const calendar = calendarEntries(reader, (nowMs) => seasonDays(season.days(nowMs), household.get().zone));
  return {
    today: (nowMs: number) => today.whole(nowMs),
    told: (nowMs: number) => today.told(nowMs),
    batch: (nowMs: number, id: string) => batch.whole(id, nowMs),
    batches: (nowMs: number) => batch.live(nowMs),
    why: (nowMs: number, id: string) => batch.why(id, nowMs),
    packet: (nowMs: number, id: string) => packet.sheet(id, nowMs),
    start: (nowMs: number, packetId: string, startMs: number) => start(packetId, startMs, nowMs),
    kin: (nowMs: number, id: string) => packet.kin(id, nowMs),
    box: (nowMs: number, asked: BoxQuestion) => box(asked, nowMs),
    packetsAsCsv: () => packetsAsCsv(packets.list()),
    nursery: (nowMs: number) => nursery(nowMs),
    bed: (nowMs: number, bedId: string, asked: { readonly cropId: string; readonly plants: number } | null) =>
      inBeds.page(nowMs, bedId, asked),
    nurseryPage: (_nowMs: number, asked: NurseryAsked) => nurseryPage(asked),
    find: (_nowMs: number, typed: string) => find(typed),
    /** Packets to choose from: by what was typed, the best first; else the newest. */
    packetNames: (_nowMs: number, typed: string, cropId: string | null) =>
      typed.trim() === '' || cropId !== null
        ? packets.names({ words: typed, cropId, most: MOST_NAMES })
        : packets.named(packetsBy(typed), MOST_NAMES),
    ideas: (nowMs: number) => ideas(nowMs),
    round: (nowMs: number, batchIds: readonly string[] | null) => round(nowMs, batchIds),
    shelf: (nowMs: number) => boards.shelf(nowMs),
    elsewhere: (nowMs: number, holderId: string) => boards.elsewhere(nowMs, holderId),
    spot: (nowMs: number, spotId: string) => warmth.spot(nowMs, spotId),
    whatIf: (nowMs: number, spotId: string, asked: WhatIfRequest) => warmth.whatIf(nowMs, spotId, asked),
    away: (nowMs: number, leaving: string, back: string) => away(nowMs, leaving, back),
    calendar: (nowMs: number) => calendar(nowMs),
    season: (nowMs: number, year: number | null) => season.whole(nowMs, year),
    seasonChain: (nowMs: number, wishId: string, year: number | null) => season.chain(nowMs, wishId, year),
    seasonFit: (nowMs: number, year: number | null) => season.fit(nowMs, year),
    seasonSources: (nowMs: number, year: number | null) => season.sources(nowMs, year),
    successions: (nowMs: number, wishId: string, year: number, every: number, times: number) =>
      season.successions(nowMs, wishId, year, every, times),
    seasonDue: (nowMs: number) => season.due(nowMs),
    trials: (_nowMs: number) => trials.list(),
    trial: (nowMs: number, trialId: string) => trials.whole(trialId, nowMs),
    trialCandidates: (nowMs: number, cropId: string | null) => trials.candidates(cropId, nowMs),
    lookingBack: (_nowMs: number, by: Grouping, year: number | null, cropId: string | null) => back.view(by, year, cropId),
    batchStory: (nowMs: number, id: string) => story.batch(id, nowMs),
    trialStory: (nowMs: number, id: string) => story.trial(id, nowMs),
    notes: (_nowMs: number, asked: NotesAsked) => notes(asked),
    /** Reads some of what has closed, ahead of whoever looks back; how many are left. */
    judge: (_nowMs: number) => back.judge(FILL_MS),
    racks: () => racks.list(),
    seasons: (nowMs: number, cropId: string) => seasons.of(cropId, household.get().zone, nowMs),
    /** Works out some of what finished batches teach, ahead of whoever asks; how many are left. */
    fill: (_nowMs: number) => forecasts.fill(household.find(), FILL_MS),
  };
}
export type Questions = ReturnType<typeof questionsOn>;
export type QuestionName = keyof Questions;
/** What a question wants beside the time. */
export type Asked<K extends QuestionName> = Parameters<Questions[K]> extends [number, ...infer Rest] ? Rest : [];

/** Answers by name, whole or not at all. */
export function answering(reader: Reader) {
  const questions = questionsOn(reader) as unknown as Record<QuestionName, (nowMs: number, ...args: unknown[]) => unknown>;
  const run = reader.db.transaction((name: QuestionName, nowMs: number, args: readonly unknown[]) => {
    reader.begin();
    return questions[name](nowMs, ...args);
  });
  return (name: QuestionName, nowMs: number, args: readonly unknown[]): unknown => {
    try {
      return run.deferred(name, nowMs, args);
    } finally {
      reader.cache.flush();
    }
  };
}
