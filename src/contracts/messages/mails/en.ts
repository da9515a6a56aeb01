/** Words of mails and what stands in them. Every other language has the same keys. */
export const mails = {
  mail: {
    confirmation: {
      subject: "Your ticket: {{event}}",
      body: "Hello {{name}},\n\nyou are registered for {{event}}. It begins {{starts_in}}.\n\n{{join_details}}\n\nThe link is yours alone. Whoever else would like to come can register for a ticket of their own.\n\n{{producer}}",
    },
    "waiting-list": {
      subject: "Waiting list: {{event}}",
      body: "Hello {{name}},\n\nall places for {{event}} on {{when}} are taken at the moment. You are number {{place_in_line}} on the waiting list; if a place comes free, it is yours and we write to you at once.\n\nIf you no longer want it, give your place in the line up here: {{ticket_link}}\n\n{{producer}}",
    },
    "waiting-list-place": {
      subject: "A place has come free: {{event}}",
      body: "Hello {{name}},\n\na place has come free and it is yours: you are registered for {{event}}.\n\n{{join_details}}\n\n{{producer}}",
    },
    "registration-cancelled": {
      subject: "Cancelled: your ticket for {{event}}",
      body: "Hello {{name}},\n\nyour registration for {{event}} is cancelled. You get no further mail about it.\n\n{{producer}}",
    },
    reminder: {
      subject: "{{event}} begins {{starts_in}}",
      body: "Hello {{name}},\n\n{{event}} begins {{starts_in}}.\n\n{{join_details}}\n\n{{producer}}",
    },
    "call-time-reminder": {
      subject: "Your call for {{event}}",
      body: "Hello {{name}},\n\nbackstage opens soon for {{event}}, which begins {{starts_in}}. Please come in with headphones.\n\n{{join_details}}\n\n{{producer}}",
    },
    "stage-invitation": {
      subject: "You are on stage: {{event}}",
      body: "Hello {{name}},\n\nyou are one of the people on stage at {{event}}.\n\n{{join_details}}\n\nCome backstage at the call time, with headphones; there is a sound and picture check at the door.\n\n{{producer}}",
    },
    invitation: {
      subject: "You are invited: {{event}}",
      body: "Hello {{name}},\n\nwe would be glad to see you at {{event}}.\n\n{{join_details}}\n\n{{producer}}",
    },
    "invitation-again": {
      subject: "Will you come? {{event}}",
      body: "Hello {{name}},\n\nwe have not heard from you yet. Will you come to {{event}}? One word is enough.\n\n{{join_details}}\n\n{{producer}}",
    },
    note: {
      subject: "{{event}}",
      body: "Hello {{name}},\n\n\n\n{{producer}}",
    },
    "follow-up-came": {
      subject: "Thank you for coming: {{event}}",
      body: "Hello {{name}},\n\nthank you for having been at {{event}}.\n\n{{event_link}}\n\n{{producer}}",
    },
    "follow-up-missed": {
      subject: "We missed you: {{event}}",
      body: "Hello {{name}},\n\nwe are sorry that you could not be at {{event}}.\n\n{{event_link}}\n\n{{producer}}",
    },
    "recording-ready": {
      subject: "The recording is ready: {{event}}",
      body: "Hello {{name}},\n\nthe recording of {{event}} is ready to watch:\n\n{{recording_link}}\n\n{{producer}}",
    },
    change: {
      subject: "New time: {{event}}",
      body: "Hello {{name}},\n\n{{event}} has moved. The new time is {{when}}. Your ticket and your link stay the same.\n\n{{join_details}}\n\n{{producer}}",
    },
    cancellation: {
      subject: "Cancelled: {{event}}",
      body: "Hello {{name}},\n\n{{event}}, planned for {{when}}, will not take place.\n\n{{reason}}\n\n{{producer}}",
    },
    pending: {
      subject: "We have your registration: {{event}}",
      body: "Hello {{name}},\n\nthank you for registering for {{event}}. Each registration is looked at; we write to you as soon as yours is decided.\n\n{{producer}}",
    },
    decline: {
      subject: "About your registration: {{event}}",
      body: "Hello {{name}},\n\nthere is no place for you at {{event}} this time. You get no further mail about it.\n\n{{producer}}",
    },
    "rehearsal-invitation": {
      subject: "Rehearsal: {{event}}",
      body: "Hello {{name}},\n\nthere is a rehearsal for {{event}}. It begins {{starts_in}}; only people on stage come to it.\n\n{{join_details}}\n\n{{producer}}",
    },
    answer: {
      subject: "Your question at {{event}}",
      body: "Hello {{name}},\n\nyou asked at {{event}}:\n\n{{question}}\n\nThe answer:\n\n{{answer}}\n\n{{producer}}",
    },
    "entry-link": {
      subject: "Your way in: {{event}}",
      body: "Hello {{name}},\n\nthis link lets the device on which you open it into {{event}}. It works once, within a quarter of an hour.\n\n{{entry_link}}\n\nIf you did not ask for it, somebody has a link of yours: you need do nothing, they cannot come in.\n\n{{producer}}",
    },
  },
  duties: {
    "doors-and-curtain": "doors and curtain",
    cues: "cues",
    questions: "questions",
    chat: "chat",
    polls: "polls",
    people: "people",
    recording: "recording",
  },
  deskWay: {
    line: "Your duties are worked from a desk: {duties}.",
    open: "Open your desk",
    ask: "Mail me a link to my desk",
    asked: "A link is on its way to your address. It asks you to choose a password.",
  },
  joinBlock: {
    duties: "Your duties",
    place: "Place",
    interpreted: "Interpreted into",
    join: "Join",
    register: "Register",
    when: "When",
    call: "Call time",
    code: "Access code",
    ticket: "Your ticket",
    phone: "By phone",
    conference: "Conference number",
    pin: "Your PIN",
    reply: "Will you come?",
  },
  whenWords: {
    one: "{date}, {time} in {city}",
    two: "{date}, {time} in {city} ({other} in {otherCity})",
    forYou: "{time} for you",
  },
  startsIn: {
    minutes: "in {count, plural, =0 {a moment} one {# minute} other {# minutes}}",
    hours: "in {count, plural, one {# hour} other {# hours}}",
    days: "in {count, plural, one {# day} other {# days}}",
    running: "now",
  },
  reply: {
    title: "Will you come?",
    asked: "{name}, you are asked to {event}.",
    coming: "I am coming",
    unsure: "I am not sure yet",
    notComing: "I cannot come",
    now: "Your answer so far: {reply}.",
    thanks: "Thank you. You can change it here until it begins.",
    questions: "One step is left: the event asks you a few questions before you are registered.",
    words: { coming: "coming", "not-coming": "not coming", unsure: "not sure yet" },
    over: "It is over, or cancelled.",
  },
  unsubscribe: {
    line: "No more invitations from us",
    title: "Unsubscribe",
    explain:
      "You will get no more invitations and reminders from {organisation}. What you are registered for keeps sending word of changes.",
    act: "Unsubscribe",
    done: "You are unsubscribed. Nothing else has changed.",
  },
  addressChanged: {
    subject: "Your address for {event} was changed",
    hello: "Hello {name},",
    body: "the mail address of your registration for {event} was changed. From now on its mails go to the new address, and links sent here no longer open the ticket.",
    ask: "If that was not you, write to us by way of the event’s page:",
  },
};

export type MailMessages = typeof mails;
