import { isStageRole } from "../../people";
import type { Sight } from "../capability";
import { isCurtainUp } from "../hour/state";
import { peopleOfStage } from "../stage-people";
import type { AudienceItem, CastItem, ScreenItem, Section, StagePersonItem } from "../views";
import { arrivedBackstage, type StageState } from "./state";

export function stagePeople({ own, words, figures }: Sight<StageState>): Section<StagePersonItem> {
  const out: Record<string, StagePersonItem> = {};
  for (const person of peopleOfStage(words.people)) {
    const { place, ...open } = own.people.get(person.ticketId) ?? arrivedBackstage;
    const isPresent = figures.present.has(person.ticketId);
    const callerLevel = figures.callers.get(person.ticketId) ?? null;
    const { name, role, duties } = person;
    const portraitId = person.portraitId ?? null;
    // the team has a desk beside its own place, and no sound there
    const isAtWork = role === "producer" || role === "crew";
    const devices = isAtWork ? Number(isPresent) : (figures.devices.get(person.ticketId) ?? Number(isPresent));
    out[person.ticketId] = { name, portraitId, role, duties, place, ...open, isPresent, callerLevel, devices };
  }
  return out;
}

export function audienceOf({ words, figures }: Sight<StageState>): Section<AudienceItem> {
  const out: Record<string, AudienceItem> = {};
  for (const [ticketId, place] of figures.present) {
    const person = words.people.get(ticketId);
    if (!person || place === "stage" || isStageRole(person.role)) continue;
    const callerLevel = figures.callers.get(ticketId) ?? null;
    out[ticketId] = { name: person.name, place, isTest: person.role === "test-guest", callerLevel };
  }
  return out;
}

/** Whose screens are shared, in the order in which they began. */
export const screensOf = ({ own, words, figures }: Sight<StageState>): Section<ScreenItem> =>
  Object.fromEntries(
    own.screens.map((id, order) => [
      id,
      { name: words.people.get(id)?.name ?? "", order, isHere: figures.present.has(id) },
    ]),
  );
/** Behind the curtain nobody is named: somebody of the house who shares theirs still finds it there. */
export const houseScreens = (sight: Sight<StageState>): Section<ScreenItem> => {
  const all = screensOf(sight);
  if (isCurtainUp(sight.hour)) return all;
  return Object.fromEntries(Object.entries(all).map(([id, item]) => [id, { ...item, name: "" }]));
};

/** The house sees those on stage while the curtain is up, nobody else and never a level. */
export function castOf(sight: Sight<StageState>): Section<CastItem> {
  if (!isCurtainUp(sight.hour)) return {};
  const people = Object.entries(stagePeople(sight)).filter(([, one]) => one.place === "stage" && one.isPresent);
  return Object.fromEntries(
    people.map(([id, { name, portraitId, isMicrophoneOpen, isCameraOpen }]) => [
      id,
      { name, portraitId, isMicrophoneOpen, isCameraOpen },
    ]),
  );
}
