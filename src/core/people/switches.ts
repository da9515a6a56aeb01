/** Whom attendees may write to, each including those before it. */
export const chatReaches = ["nobody", "desk", "stage", "all"] as const;
export type ChatReach = (typeof chatReaches)[number];

/** What the house sees of the questions of others. */
export const questionViews = ["none", "answered", "all"] as const;
export type QuestionView = (typeof questionViews)[number];

/** Who draws on the page of the slides that is on. The team may wherever anybody may. */
export const markers = ["nobody", "leader", "stage", "all"] as const;
export type Markers = (typeof markers)[number];

/** The audience settings of an event that may be turned during the hour: data that the permission table reads. */
export interface Switches {
  readonly questions: {
    readonly on: boolean;
    /** who asks may leave their name out: the record knows it, screens and files do not */
    readonly anonymous: boolean;
    readonly othersSee: QuestionView;
    readonly votes: boolean;
    readonly comments: boolean;
    /** others see a new one only after the desk looked at it */
    readonly isHeld: boolean;
    /** who asked is told when a question is not taken */
    readonly tellsNotTaken: boolean;
  };
  readonly polls: { readonly on: boolean };
  readonly chat: { readonly to: ChatReach; readonly isHeld: boolean };
  readonly hands: {
    readonly on: boolean;
    /** a raised hand goes down with the segment that it was raised in */
    readonly endsWithSegment: boolean;
  };
  readonly signals: { readonly on: boolean };
  /** the house reads the names of those who ask */
  readonly names: { readonly on: boolean };
  /** the house reads how many are there */
  readonly count: { readonly on: boolean };
  /** somebody of the audience may change how they are called in the room */
  readonly rename: { readonly on: boolean };
  /** people may look at other pages of the slides for themselves */
  readonly paging: { readonly on: boolean };
  /** who may draw on the slides; `leader`: whoever turns them */
  readonly marking: { readonly who: Markers };
  /** whoever comes waits at the door until the desk lets them in */
  readonly door: { readonly on: boolean };
}

/** How a new event begins: the one place for defaults. */
export const defaultSwitches: Switches = {
  questions: {
    on: true,
    anonymous: false,
    othersSee: "all",
    votes: true,
    comments: false,
    isHeld: false,
    tellsNotTaken: true,
  },
  polls: { on: true },
  chat: { to: "all", isHeld: false },
  hands: { on: true, endsWithSegment: false },
  signals: { on: true },
  names: { on: false },
  count: { on: false },
  rename: { on: true },
  paging: { on: false },
  marking: { who: "leader" },
  door: { on: false },
};

export type SwitchName = keyof Switches;
export type PartialSwitches = { readonly [K in SwitchName]?: Partial<Switches[K]> };

/** Switches as they were kept, with the defaults of what was not thought of then. */
export function wholeSwitches(kept: PartialSwitches): Switches {
  const names = Object.keys(defaultSwitches) as SwitchName[];
  return Object.fromEntries(
    names.map((name) => [name, { ...defaultSwitches[name], ...kept[name] }]),
  ) as unknown as Switches;
}

/** One switch as it was set. */
export type SwitchSet = {
  readonly [K in SwitchName]: { readonly name: K; readonly value: Switches[K] };
}[SwitchName];
/** One switch turned: what is not named of it stays. */
export type SwitchTurn = {
  readonly [K in SwitchName]: { readonly name: K; readonly value: Partial<Switches[K]> };
}[SwitchName];

/** What a permission asks of the switches. */
export type Need =
  | { readonly switch: Exclude<SwitchName, "chat" | "door" | "paging" | "marking"> }
  | { readonly switch: "questions"; readonly part: "votes" | "comments" }
  | { readonly switch: "chat"; readonly atLeast: ChatReach };

export function isMet(need: Need, switches: Switches): boolean {
  if (need.switch === "chat") return chatReaches.indexOf(switches.chat.to) >= chatReaches.indexOf(need.atLeast);
  if ("part" in need && !switches.questions[need.part]) return false;
  return switches[need.switch].on;
}
