import { live, running, team } from "../../people";
import { fail, ok } from "../../shared";
import type { Capability } from "../capability";
import { isInHouse, isOfTheStage } from "../standing";
import { mostCaptionLanguages, noCaptions, type CaptionsState } from "./state";

export type CaptionsCommand = { type: "captions.set-languages"; languages: readonly string[] };
export type CaptionsEntry = { type: "captions.languages-set"; languages: readonly string[] };

export interface CaptionsShape {
  state: CaptionsState;
  command: CaptionsCommand;
  /** `replacesId`: a line of one's own that it puts right */
  fact: { type: "captions.say"; language: string; text: string; replacesId: string | null };
  /** the line while it is typed */
  whisper: { type: "captions.typing"; language: string; text: string };
  entry: CaptionsEntry;
}

const captioners = ["captioner", "producer", "crew"] as const;
const isSame = (a: readonly string[], b: readonly string[]): boolean =>
  a.length === b.length && a.every((one, i) => b[i] === one);

/** Captions (rule 24): which languages there are; the lines stand in a feed of their own. */
export const captions = {
  rights: {
    "captions.set-languages": { roles: team, duty: "cues", phases: live },
    "captions.say": { roles: captioners, phases: running },
    "captions.typing": { roles: captioners, phases: running },
  },
  paces: { "captions.say": { burst: 12, everyMs: 500 }, "captions.typing": { burst: 20, everyMs: 120 } },
  empty: noCaptions,
  decide: {
    "captions.set-languages": (own, { languages }) => {
      const once = [...new Set(languages)].slice(0, mostCaptionLanguages);
      return isSame(once, own.languages)
        ? fail({ code: "already-done", action: "captions.set-languages" })
        : ok([{ type: "captions.languages-set", languages: once } as const]);
    },
  },
  fold: { "captions.languages-set": (own, { languages }) => ({ ...own, languages }) },
  views: {
    "captions:room": {
      isFor: (standing) => isInHouse(standing) || isOfTheStage(standing),
      reads: [],
      make: ({ own }) => ({ captions: own.languages.length > 0 ? { it: { languages: own.languages } } : {} }),
    },
  },
  logs: { "captions:lines": { isFor: (standing) => isInHouse(standing) || isOfTheStage(standing), window: 20 } },
  whispers: { "captions.typing": { isFor: (standing) => isInHouse(standing) || isOfTheStage(standing) } },
} as const satisfies Capability<CaptionsShape>;
