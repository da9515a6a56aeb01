/** The product's own words, each in one sentence (product.md). */
export const terms: readonly (readonly [word: string, meaning: string])[] = [
  ["Access code", "The secret of a private event; whoever has it can open its page."],
  ["Audience, seats", "Those who watch, and how many of them there can be at once."],
  [
    "Backstage",
    "The room before the doors open, for the people on stage and the team alone. It stays a place through the whole hour.",
  ],
  [
    "Curtain",
    "Up: the audience sees and hears the stage. Down: a holding picture and silence. It may rise and fall at any time.",
  ],
  ["Date", "One occurrence of an event. A series has many."],
  ["Desk", "The screen from which the hour is run."],
  ["Doors", "Open, they let the audience in; held, they let in only those who were inside before."],
  [
    "Duty",
    "What a member of the crew may do at an event: doors and curtain, cues, questions, chat, polls, people, recording.",
  ],
  ["Foyer", "Where guests wait and can try sound and picture."],
  ["How to join", "Link, date and time, access code, phone line: the block that every invitation carries."],
  ["In-tray", "The desk's one list of what wants an answer, most urgent first."],
  ["Must start by", "The latest start of a segment at which everything after it still ends in time."],
  ["Parallel session", "What runs beside the main programme, in a room of its own."],
  ["Readiness", "What is still missing before a good hour, by when, and the one act that mends it."],
  ["Rehearsal", "A run backstage with nobody watching."],
  ["Run sheet, segment", "The plan of the hour, and one row of it."],
  ["Seat licence", "The organisation's right to one room of a size at a time."],
  ["Slides, page", "A PDF shown to everybody in step, and one of its pages. Whoever leads the segment turns."],
  ["Sound check", "A short booked slot in which somebody tries sound and picture."],
  ["Standby", "Next on stage."],
  ["Team call", "When the people on stage and the team are due."],
  ["Test guest", "A ticket for trying the way in as a guest would; it counts in no figure."],
  ["Ticket", "A registrant's own page: join, calendar, cancel."],
  ["Waiting list", "Who registers beyond the limit; the longest waiting moves up when a place comes free."],
];

/** From nothing to a held hour. */
export const firstSteps: readonly (readonly [what: string, how: string])[] = [
  ["Plan an event", "Events, then Plan an event: title, date and hour, seats. Nothing is sent by saving."],
  ["Add the people", "People: panelists and crew, with their duties. Preview and send each their link."],
  [
    "Write the run sheet",
    "What happens when, who leads it, which slides and polls belong to it; what does not fit is marked.",
  ],
  ["Publish the page", "Public page: its look and the questions that registration asks. Then Publish."],
  ["Invite", "Mailings: an invitation to contacts or a pasted list. Try it on yourself first."],
  ["Try the way in", "Make a test ticket on the public page's sheet, and walk in as a guest would."],
  ["Run the hour", "Desk: doors let the audience in, the curtain shows them the stage. Ctrl or ⌘ K finds any act."],
  ["Look back", "Report: who came and for how long, questions, polls, and every file."],
];
