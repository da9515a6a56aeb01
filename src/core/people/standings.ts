export const standings = ["owner", "producer", "crew"] as const;
/** What somebody of the team is in the organisation, whatever the event. */
export type Standing = (typeof standings)[number];

/** Rule 6, for what belongs to no single event. The server asks it for every such act, and /help prints it. */
export const houseTable = {
  "house.rules": ["owner"],
  "team.edit": ["owner"],
  "event.make": ["owner", "producer"],
  "contacts.read": ["owner", "producer", "crew"],
  "contacts.edit": ["owner", "producer"],
  "contacts.export": ["owner", "producer"],
  "contacts.erase": ["owner", "producer"],
  "slots.edit": ["owner", "producer"],
  "boards.edit": ["owner", "producer"],
} as const satisfies Record<string, readonly Standing[]>;
export type HouseAction = keyof typeof houseTable;

export const standingMay = (standing: Standing, action: HouseAction): boolean =>
  (houseTable[action] as readonly Standing[]).includes(standing);
