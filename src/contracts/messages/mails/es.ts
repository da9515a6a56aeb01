import type { MailMessages } from "./en";

/** Words of mails and what stands in them, in Spanish. */
export const mails: MailMessages = {
  mail: {
    confirmation: {
      subject: "Su entrada: {{event}}",
      body: "Hola, {{name}}:\n\nsu inscripción en {{event}} está hecha. Empieza {{starts_in}}.\n\n{{join_details}}\n\nEl enlace es solo para usted. Quien también quiera venir puede inscribirse y recibirá su propia entrada.\n\n{{producer}}",
    },
    "waiting-list": {
      subject: "Lista de espera: {{event}}",
      body: "Hola, {{name}}:\n\nen este momento todas las plazas de {{event}}, {{when}}, están ocupadas. Es el número {{place_in_line}} de la lista de espera; si queda una plaza libre, es suya y le escribimos enseguida.\n\nSi ya no la quiere, renuncie aquí a su puesto: {{ticket_link}}\n\n{{producer}}",
    },
    "waiting-list-place": {
      subject: "Ha quedado una plaza libre: {{event}}",
      body: "Hola, {{name}}:\n\nha quedado una plaza libre y es suya: ya está inscrito en {{event}}.\n\n{{join_details}}\n\n{{producer}}",
    },
    "registration-cancelled": {
      subject: "Anulada: su entrada para {{event}}",
      body: "Hola, {{name}}:\n\nsu inscripción en {{event}} queda anulada. No recibirá más correos sobre este acto.\n\n{{producer}}",
    },
    reminder: {
      subject: "{{event}} empieza {{starts_in}}",
      body: "Hola, {{name}}:\n\n{{event}} empieza {{starts_in}}.\n\n{{join_details}}\n\n{{producer}}",
    },
    "call-time-reminder": {
      subject: "Su hora de llegada a {{event}}",
      body: "Hola, {{name}}:\n\nlos bastidores abren pronto para {{event}}, que empieza {{starts_in}}. Venga con auriculares, por favor.\n\n{{join_details}}\n\n{{producer}}",
    },
    "stage-invitation": {
      subject: "Está en el escenario: {{event}}",
      body: "Hola, {{name}}:\n\nes una de las personas en el escenario de {{event}}.\n\n{{join_details}}\n\nVenga a bastidores a la hora indicada, con auriculares; en la puerta se prueban el sonido y la imagen.\n\n{{producer}}",
    },
    invitation: {
      subject: "Invitación: {{event}}",
      body: "Hola, {{name}}:\n\nnos alegraría verle en {{event}}.\n\n{{join_details}}\n\n{{producer}}",
    },
    "invitation-again": {
      subject: "¿Vendrá? {{event}}",
      body: "Hola, {{name}}:\n\ntodavía no sabemos si vendrá a {{event}}. Basta una palabra.\n\n{{join_details}}\n\n{{producer}}",
    },
    note: { subject: "{{event}}", body: "Hola, {{name}}:\n\n\n\n{{producer}}" },
    "follow-up-came": {
      subject: "Gracias por venir: {{event}}",
      body: "Hola, {{name}}:\n\ngracias por haber estado en {{event}}.\n\n{{event_link}}\n\n{{producer}}",
    },
    "follow-up-missed": {
      subject: "Le echamos de menos: {{event}}",
      body: "Hola, {{name}}:\n\nsentimos que no pudiera estar en {{event}}.\n\n{{event_link}}\n\n{{producer}}",
    },
    "recording-ready": {
      subject: "La grabación está lista: {{event}}",
      body: "Hola, {{name}}:\n\nla grabación de {{event}} ya se puede ver:\n\n{{recording_link}}\n\n{{producer}}",
    },
    change: {
      subject: "Nueva hora: {{event}}",
      body: "Hola, {{name}}:\n\n{{event}} se ha cambiado. La nueva hora es {{when}}. Su entrada y su enlace siguen siendo los mismos.\n\n{{join_details}}\n\n{{producer}}",
    },
    cancellation: {
      subject: "Suspendido: {{event}}",
      body: "Hola, {{name}}:\n\n{{event}}, previsto para {{when}}, no se celebrará.\n\n{{reason}}\n\n{{producer}}",
    },
    pending: {
      subject: "Hemos recibido su inscripción: {{event}}",
      body: "Hola, {{name}}:\n\ngracias por inscribirse en {{event}}. Miramos cada inscripción y le escribimos en cuanto esté decidida.\n\n{{producer}}",
    },
    decline: {
      subject: "Sobre su inscripción: {{event}}",
      body: "Hola, {{name}}:\n\nesta vez no hay plaza para usted en {{event}}. No recibirá más correos sobre este acto.\n\n{{producer}}",
    },
    "rehearsal-invitation": {
      subject: "Ensayo: {{event}}",
      body: "Hola, {{name}}:\n\nhay un ensayo de {{event}}. Empieza {{starts_in}}; solo viene quien está en el escenario.\n\n{{join_details}}\n\n{{producer}}",
    },
    answer: {
      subject: "Su pregunta en {{event}}",
      body: "Hola, {{name}}:\n\nen {{event}} preguntó:\n\n{{question}}\n\nLa respuesta:\n\n{{answer}}\n\n{{producer}}",
    },
    "entry-link": {
      subject: "Su acceso: {{event}}",
      body: "Hola, {{name}}:\n\neste enlace deja entrar en {{event}} al dispositivo en el que lo abra. Sirve una vez, durante un cuarto de hora.\n\n{{entry_link}}\n\nSi no lo ha pedido, alguien tiene un enlace suyo: no hace falta que haga nada, no puede entrar.\n\n{{producer}}",
    },
  },
  duties: {
    "doors-and-curtain": "puertas y telón",
    cues: "avisos",
    questions: "preguntas",
    chat: "chat",
    polls: "encuestas",
    people: "personas",
    recording: "grabación",
  },
  deskWay: {
    line: "Sus tareas se llevan desde una mesa: {duties}.",
    open: "Abrir su mesa",
    ask: "Enviarme un enlace a mi mesa",
    asked: "Le hemos enviado un enlace a su dirección. Le pedirá elegir una contraseña.",
  },
  joinBlock: {
    duties: "Sus tareas",
    place: "Lugar",
    interpreted: "Interpretación a",
    join: "Entrar",
    register: "Inscribirse",
    when: "Cuándo",
    call: "Hora de llegada",
    code: "Código de acceso",
    ticket: "Su entrada",
    phone: "Por teléfono",
    conference: "Número de conferencia",
    pin: "Su PIN",
    reply: "¿Vendrá?",
  },
  whenWords: {
    one: "{date}, {time} en {city}",
    two: "{date}, {time} en {city} ({other} en {otherCity})",
    forYou: "{time} para usted",
  },
  startsIn: {
    minutes: "en {count, plural, =0 {un momento} one {# minuto} other {# minutos}}",
    hours: "en {count, plural, one {# hora} other {# horas}}",
    days: "en {count, plural, one {# día} other {# días}}",
    running: "ahora",
  },
  reply: {
    title: "¿Vendrá?",
    asked: "{name}, le invitan a {event}.",
    coming: "Vengo",
    unsure: "Aún no lo sé",
    notComing: "No puedo venir",
    now: "Su respuesta hasta ahora: {reply}.",
    thanks: "Gracias. Puede cambiarla aquí hasta que empiece.",
    questions: "Queda un paso: antes de inscribirle, el evento le hace unas preguntas.",
    words: { coming: "viene", "not-coming": "no viene", unsure: "aún no lo sabe" },
    over: "Ya ha terminado o se ha suspendido.",
  },
  unsubscribe: {
    line: "No quiero más invitaciones",
    title: "Darse de baja",
    explain:
      "No recibirá más invitaciones ni recordatorios de {organisation}. De aquello en lo que está inscrito le seguirán llegando los cambios.",
    act: "Darme de baja",
    done: "Se ha dado de baja. Nada más ha cambiado.",
  },
  addressChanged: {
    subject: "Se ha cambiado su dirección para {event}",
    hello: "Hola, {name}:",
    body: "se ha cambiado la dirección de correo de su inscripción en {event}. Desde ahora los correos van a la nueva dirección, y los enlaces enviados aquí ya no abren la entrada.",
    ask: "Si no ha sido usted, escríbanos desde la página del acto:",
  },
};
