/** Settings of one's own that one of the team may put right, with consent. */
export const helpedSettings = ["microphone", "camera", "loudspeaker", "captions", "captions-size", "hear"] as const;
export type HelpedSetting = (typeof helpedSettings)[number];

/** One act that whoever is helped may let happen: this setting to that value; null: the browser's or the room's own. */
export interface SettingChange {
  readonly setting: HelpedSetting;
  readonly value: string | null;
  /** as it is called on the screen where it would be set */
  readonly words: string;
}

/** A setting as it stands, and what it could be. */
export interface SettingSight {
  readonly setting: HelpedSetting;
  readonly value: string | null;
  readonly choices: readonly { readonly value: string | null; readonly words: string }[];
}

/** What somebody sees, in words and numbers: no picture of their screen. */
export interface HelpSight {
  readonly place: "foyer" | "house" | "backstage" | "standby" | "stage";
  readonly width: number;
  readonly height: number;
  /** how much larger than as made: 1.5 for 150 % */
  readonly zoom: number;
  readonly language: string;
  readonly browser: string;
  readonly isOnline: boolean;
  /** whether the browser lets this page have them */
  readonly microphone: "granted" | "denied" | "prompt" | "unknown";
  readonly camera: "granted" | "denied" | "prompt" | "unknown";
  /** headings and notices on the screen, from top to bottom */
  readonly lines: readonly string[];
  readonly settings: readonly SettingSight[];
}
