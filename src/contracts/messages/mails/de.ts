import type { MailMessages } from "./en";

/** Words of mails and what stands in them, in German. */
export const mails: MailMessages = {
  mail: {
    confirmation: {
      subject: "Ihre Karte: {{event}}",
      body: "Guten Tag {{name}},\n\nSie sind für {{event}} angemeldet. Es beginnt {{starts_in}}.\n\n{{join_details}}\n\nDer Link gehört Ihnen allein. Wer sonst noch kommen möchte, kann sich anmelden und bekommt eine eigene Karte.\n\n{{producer}}",
    },
    "waiting-list": {
      subject: "Warteliste: {{event}}",
      body: "Guten Tag {{name}},\n\nzurzeit sind alle Plätze für {{event}}, {{when}}, vergeben. Sie stehen auf der Warteliste an Stelle {{place_in_line}}; wird ein Platz frei, gehört er Ihnen und wir schreiben Ihnen sofort.\n\nMöchten Sie nicht mehr warten, geben Sie Ihre Stelle hier auf: {{ticket_link}}\n\n{{producer}}",
    },
    "waiting-list-place": {
      subject: "Ein Platz ist frei geworden: {{event}}",
      body: "Guten Tag {{name}},\n\nein Platz ist frei geworden und gehört Ihnen: Sie sind für {{event}} angemeldet.\n\n{{join_details}}\n\n{{producer}}",
    },
    "registration-cancelled": {
      subject: "Abgemeldet: Ihre Karte für {{event}}",
      body: "Guten Tag {{name}},\n\nIhre Anmeldung für {{event}} ist aufgehoben. Sie bekommen dazu keine weitere Mail.\n\n{{producer}}",
    },
    reminder: {
      subject: "{{event}} beginnt {{starts_in}}",
      body: "Guten Tag {{name}},\n\n{{event}} beginnt {{starts_in}}.\n\n{{join_details}}\n\n{{producer}}",
    },
    "call-time-reminder": {
      subject: "Ihr Aufruf für {{event}}",
      body: "Guten Tag {{name}},\n\ndie Hinterbühne öffnet bald für {{event}}, das {{starts_in}} beginnt. Bitte kommen Sie mit Kopfhörern.\n\n{{join_details}}\n\n{{producer}}",
    },
    "stage-invitation": {
      subject: "Sie stehen auf der Bühne: {{event}}",
      body: "Guten Tag {{name}},\n\nSie gehören bei {{event}} zu den Menschen auf der Bühne.\n\n{{join_details}}\n\nKommen Sie zur Aufrufzeit auf die Hinterbühne, mit Kopfhörern; an der Tür werden Ton und Bild geprüft.\n\n{{producer}}",
    },
    invitation: {
      subject: "Einladung: {{event}}",
      body: "Guten Tag {{name}},\n\nwir würden uns freuen, Sie bei {{event}} zu sehen.\n\n{{join_details}}\n\n{{producer}}",
    },
    "invitation-again": {
      subject: "Kommen Sie? {{event}}",
      body: "Guten Tag {{name}},\n\nwir wissen noch nicht, ob Sie zu {{event}} kommen. Ein Wort genügt.\n\n{{join_details}}\n\n{{producer}}",
    },
    note: { subject: "{{event}}", body: "Guten Tag {{name}},\n\n\n\n{{producer}}" },
    "follow-up-came": {
      subject: "Danke fürs Kommen: {{event}}",
      body: "Guten Tag {{name}},\n\ndanke, dass Sie bei {{event}} waren.\n\n{{event_link}}\n\n{{producer}}",
    },
    "follow-up-missed": {
      subject: "Sie haben uns gefehlt: {{event}}",
      body: "Guten Tag {{name}},\n\nschade, dass Sie nicht bei {{event}} sein konnten.\n\n{{event_link}}\n\n{{producer}}",
    },
    "recording-ready": {
      subject: "Die Aufzeichnung ist da: {{event}}",
      body: "Guten Tag {{name}},\n\ndie Aufzeichnung von {{event}} steht bereit:\n\n{{recording_link}}\n\n{{producer}}",
    },
    change: {
      subject: "Neue Zeit: {{event}}",
      body: "Guten Tag {{name}},\n\n{{event}} ist verlegt. Die neue Zeit: {{when}}. Ihre Karte und Ihr Link bleiben dieselben.\n\n{{join_details}}\n\n{{producer}}",
    },
    cancellation: {
      subject: "Abgesagt: {{event}}",
      body: "Guten Tag {{name}},\n\n{{event}}, geplant für {{when}}, findet nicht statt.\n\n{{reason}}\n\n{{producer}}",
    },
    pending: {
      subject: "Ihre Anmeldung ist da: {{event}}",
      body: "Guten Tag {{name}},\n\ndanke für Ihre Anmeldung zu {{event}}. Jede Anmeldung wird angesehen; wir schreiben Ihnen, sobald über Ihre entschieden ist.\n\n{{producer}}",
    },
    decline: {
      subject: "Zu Ihrer Anmeldung: {{event}}",
      body: "Guten Tag {{name}},\n\ndiesmal gibt es bei {{event}} keinen Platz für Sie. Sie bekommen dazu keine weitere Mail.\n\n{{producer}}",
    },
    "rehearsal-invitation": {
      subject: "Probe: {{event}}",
      body: "Guten Tag {{name}},\n\nes gibt eine Probe für {{event}}. Sie beginnt {{starts_in}}; nur wer auf der Bühne steht, kommt dazu.\n\n{{join_details}}\n\n{{producer}}",
    },
    answer: {
      subject: "Ihre Frage bei {{event}}",
      body: "Guten Tag {{name}},\n\nbei {{event}} haben Sie gefragt:\n\n{{question}}\n\nDie Antwort:\n\n{{answer}}\n\n{{producer}}",
    },
    "entry-link": {
      subject: "Ihr Zugang: {{event}}",
      body: "Guten Tag {{name}},\n\ndieser Link lässt das Gerät, auf dem Sie ihn öffnen, zu {{event}} ein. Er gilt einmal, eine Viertelstunde lang.\n\n{{entry_link}}\n\nHaben Sie nicht darum gebeten, so hat jemand einen Link von Ihnen: Sie müssen nichts tun, er kommt nicht hinein.\n\n{{producer}}",
    },
  },
  duties: {
    "doors-and-curtain": "Türen und Vorhang",
    cues: "Einsätze",
    questions: "Fragen",
    chat: "Chat",
    polls: "Umfragen",
    people: "Personen",
    recording: "Aufzeichnung",
  },
  deskWay: {
    line: "Ihre Aufgaben erledigen Sie an einem Pult: {duties}.",
    open: "Pult öffnen",
    ask: "Link zu meinem Pult schicken",
    asked: "Ein Link ist an Ihre Adresse unterwegs. Dort wählen Sie ein Passwort.",
  },
  joinBlock: {
    duties: "Ihre Aufgaben",
    place: "Ort",
    interpreted: "Gedolmetscht ins",
    join: "Hinein",
    register: "Anmelden",
    when: "Wann",
    call: "Aufruf",
    code: "Zugangscode",
    ticket: "Ihre Karte",
    phone: "Per Telefon",
    conference: "Konferenznummer",
    pin: "Ihre PIN",
    reply: "Kommen Sie?",
  },
  whenWords: {
    one: "{date}, {time} in {city}",
    two: "{date}, {time} in {city} ({other} in {otherCity})",
    forYou: "{time} für Sie",
  },
  startsIn: {
    minutes: "in {count, plural, =0 {einem Augenblick} one {# Minute} other {# Minuten}}",
    hours: "in {count, plural, one {# Stunde} other {# Stunden}}",
    days: "in {count, plural, one {# Tag} other {# Tagen}}",
    running: "jetzt",
  },
  reply: {
    title: "Kommen Sie?",
    asked: "{name}, Sie sind zu {event} gebeten.",
    coming: "Ich komme",
    unsure: "Ich weiß es noch nicht",
    notComing: "Ich kann nicht kommen",
    now: "Ihre Antwort bisher: {reply}.",
    thanks: "Danke. Bis es beginnt, können Sie sie hier ändern.",
    questions: "Ein Schritt fehlt noch: Vor der Anmeldung stellt die Veranstaltung Ihnen einige Fragen.",
    words: { coming: "kommt", "not-coming": "kommt nicht", unsure: "noch offen" },
    over: "Es ist vorbei oder abgesagt.",
  },
  unsubscribe: {
    line: "Keine weiteren Einladungen von uns",
    title: "Abbestellen",
    explain:
      "Sie bekommen keine Einladungen und Erinnerungen von {organisation} mehr. Änderungen an dem, wofür Sie angemeldet sind, erfahren Sie weiterhin.",
    act: "Abbestellen",
    done: "Sie haben abbestellt. Sonst hat sich nichts geändert.",
  },
  addressChanged: {
    subject: "Ihre Adresse für {event} wurde geändert",
    hello: "Guten Tag {name},",
    body: "die Mailadresse Ihrer Anmeldung für {event} wurde geändert. Mails gehen ab jetzt an die neue Adresse; Links, die hierher gingen, öffnen das Ticket nicht mehr.",
    ask: "Wenn Sie das nicht waren, schreiben Sie uns über die Seite der Veranstaltung:",
  },
};
