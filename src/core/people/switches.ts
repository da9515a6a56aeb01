/** Whom attendees may write to, each including those before it. */
export const chatReaches = ["nobody", "desk", "stage", "all"] as const;
export type ChatReach = (typeof chatReaches)[number];

/** What the house sees of the questions of others. */
export const questionViews = ["none", "answered", "all"] as const;
export type QuestionView = (typeof questionViews)[number];

/** The audience settings of an event that may be turned during the hour: data that the permission table reads. */
export interface Switches {
  readonly questions: { readonly on: boolean; readonly othersSee: QuestionView };
  readonly polls: { readonly on: boolean };
  readonly chat: { readonly to: ChatReach; readonly isHeld: boolean };
  readonly hands: { readonly on: boolean };
  readonly signals: { readonly on: boolean };
}

/** How a new event begins: the one place for defaults. */
export const defaultSwitches: Switches = {
  questions: { on: true, othersSee: "answered" },
  polls: { on: true },
  chat: { to: "all", isHeld: false },
  hands: { on: true },
  signals: { on: true },
};

/** One switch set to a value. */
export type SwitchSet = {
  readonly [K in keyof Switches]: { readonly name: K; readonly value: Switches[K] };
}[keyof Switches];

/** What a permission asks of the switches. */
export type Need =
  | { readonly switch: "questions" }
  | { readonly switch: "polls" }
  | { readonly switch: "hands" }
  | { readonly switch: "signals" }
  | { readonly switch: "chat"; readonly atLeast: ChatReach };

export function isMet(need: Need, switches: Switches): boolean {
  if (need.switch === "chat") return chatReaches.indexOf(switches.chat.to) >= chatReaches.indexOf(need.atLeast);
  return switches[need.switch].on;
}
