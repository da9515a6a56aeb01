import type { MailMessages } from "./en";

/** Words of mails and what stands in them, in French. */
export const mails: MailMessages = {
  mail: {
    confirmation: {
      subject: "Votre billet : {{event}}",
      body: "Bonjour {{name}},\n\nvous êtes inscrit à {{event}}. Cela commence {{starts_in}}.\n\n{{join_details}}\n\nLe lien est à vous seul. Toute autre personne qui voudrait venir peut s’inscrire et recevra son propre billet.\n\n{{producer}}",
    },
    "waiting-list": {
      subject: "Liste d’attente : {{event}}",
      body: "Bonjour {{name}},\n\ntoutes les places pour {{event}}, {{when}}, sont prises pour le moment. Vous êtes au numéro {{place_in_line}} de la liste d’attente ; si une place se libère, elle est à vous et nous vous écrivons aussitôt.\n\nSi vous n’en voulez plus, renoncez-y ici : {{ticket_link}}\n\n{{producer}}",
    },
    "waiting-list-place": {
      subject: "Une place s’est libérée : {{event}}",
      body: "Bonjour {{name}},\n\nune place s’est libérée et elle est à vous : vous êtes inscrit à {{event}}.\n\n{{join_details}}\n\n{{producer}}",
    },
    "registration-cancelled": {
      subject: "Annulé : votre billet pour {{event}}",
      body: "Bonjour {{name}},\n\nvotre inscription à {{event}} est annulée. Vous ne recevrez plus de message à ce sujet.\n\n{{producer}}",
    },
    reminder: {
      subject: "{{event}} commence {{starts_in}}",
      body: "Bonjour {{name}},\n\n{{event}} commence {{starts_in}}.\n\n{{join_details}}\n\n{{producer}}",
    },
    "call-time-reminder": {
      subject: "Votre heure de convocation pour {{event}}",
      body: "Bonjour {{name}},\n\nles coulisses ouvrent bientôt pour {{event}}, qui commence {{starts_in}}. Venez avec un casque, s’il vous plaît.\n\n{{join_details}}\n\n{{producer}}",
    },
    "stage-invitation": {
      subject: "Vous êtes sur scène : {{event}}",
      body: "Bonjour {{name}},\n\nvous êtes parmi les personnes sur scène lors de {{event}}.\n\n{{join_details}}\n\nVenez en coulisses à l’heure de convocation, avec un casque ; le son et l’image s’essaient à l’entrée.\n\n{{producer}}",
    },
    invitation: {
      subject: "Invitation : {{event}}",
      body: "Bonjour {{name}},\n\nnous serions heureux de vous voir à {{event}}.\n\n{{join_details}}\n\n{{producer}}",
    },
    "invitation-again": {
      subject: "Viendrez-vous ? {{event}}",
      body: "Bonjour {{name}},\n\nnous ne savons pas encore si vous viendrez à {{event}}. Un mot suffit.\n\n{{join_details}}\n\n{{producer}}",
    },
    note: { subject: "{{event}}", body: "Bonjour {{name}},\n\n\n\n{{producer}}" },
    "follow-up-came": {
      subject: "Merci d’être venu : {{event}}",
      body: "Bonjour {{name}},\n\nmerci d’avoir été à {{event}}.\n\n{{event_link}}\n\n{{producer}}",
    },
    "follow-up-missed": {
      subject: "Vous nous avez manqué : {{event}}",
      body: "Bonjour {{name}},\n\nnous regrettons que vous n’ayez pas pu être à {{event}}.\n\n{{event_link}}\n\n{{producer}}",
    },
    "recording-ready": {
      subject: "L’enregistrement est prêt : {{event}}",
      body: "Bonjour {{name}},\n\nl’enregistrement de {{event}} peut être vu :\n\n{{recording_link}}\n\n{{producer}}",
    },
    change: {
      subject: "Nouvel horaire : {{event}}",
      body: "Bonjour {{name}},\n\n{{event}} est déplacé. Le nouvel horaire : {{when}}. Votre billet et votre lien restent les mêmes.\n\n{{join_details}}\n\n{{producer}}",
    },
    cancellation: {
      subject: "Annulé : {{event}}",
      body: "Bonjour {{name}},\n\n{{event}}, prévu {{when}}, n’aura pas lieu.\n\n{{reason}}\n\n{{producer}}",
    },
    pending: {
      subject: "Nous avons votre inscription : {{event}}",
      body: "Bonjour {{name}},\n\nmerci de votre inscription à {{event}}. Chaque inscription est examinée ; nous vous écrivons dès que la vôtre est décidée.\n\n{{producer}}",
    },
    decline: {
      subject: "Au sujet de votre inscription : {{event}}",
      body: "Bonjour {{name}},\n\nil n’y a pas de place pour vous à {{event}} cette fois-ci. Vous ne recevrez plus de message à ce sujet.\n\n{{producer}}",
    },
    "rehearsal-invitation": {
      subject: "Répétition : {{event}}",
      body: "Bonjour {{name}},\n\nil y a une répétition de {{event}}. Elle commence {{starts_in}} ; seules les personnes sur scène y viennent.\n\n{{join_details}}\n\n{{producer}}",
    },
    answer: {
      subject: "Votre question à {{event}}",
      body: "Bonjour {{name}},\n\nà {{event}} vous avez demandé :\n\n{{question}}\n\nLa réponse :\n\n{{answer}}\n\n{{producer}}",
    },
    "entry-link": {
      subject: "Votre accès : {{event}}",
      body: "Bonjour {{name}},\n\nce lien fait entrer à {{event}} l’appareil sur lequel vous l’ouvrez. Il sert une fois, pendant un quart d’heure.\n\n{{entry_link}}\n\nSi vous ne l’avez pas demandé, quelqu’un possède un de vos liens : vous n’avez rien à faire, il ne peut pas entrer.\n\n{{producer}}",
    },
  },
  duties: {
    "doors-and-curtain": "portes et rideau",
    cues: "tops",
    questions: "questions",
    chat: "chat",
    polls: "sondages",
    people: "personnes",
    recording: "enregistrement",
  },
  deskWay: {
    line: "Vos tâches se font depuis un pupitre : {duties}.",
    open: "Ouvrir votre pupitre",
    ask: "M’envoyer un lien vers mon pupitre",
    asked: "Un lien est en route vers votre adresse. Il vous demandera de choisir un mot de passe.",
  },
  joinBlock: {
    duties: "Vos tâches",
    place: "Lieu",
    interpreted: "Interprété en",
    join: "Entrer",
    register: "S’inscrire",
    when: "Quand",
    call: "Convocation",
    code: "Code d’accès",
    ticket: "Votre billet",
    phone: "Par téléphone",
    conference: "Numéro de conférence",
    pin: "Votre code PIN",
    reply: "Viendrez-vous ?",
  },
  whenWords: {
    one: "{date}, {time} à {city}",
    two: "{date}, {time} à {city} ({other} à {otherCity})",
    forYou: "{time} pour vous",
  },
  startsIn: {
    minutes: "dans {count, plural, =0 {un instant} one {# minute} other {# minutes}}",
    hours: "dans {count, plural, one {# heure} other {# heures}}",
    days: "dans {count, plural, one {# jour} other {# jours}}",
    running: "maintenant",
  },
  reply: {
    title: "Viendrez-vous ?",
    asked: "{name}, vous êtes invité à {event}.",
    coming: "Je viens",
    unsure: "Je ne sais pas encore",
    notComing: "Je ne peux pas venir",
    now: "Votre réponse jusqu’ici : {reply}.",
    thanks: "Merci. Vous pouvez la changer ici jusqu’au début.",
    questions: "Il reste une étape : avant votre inscription, l’événement vous pose quelques questions.",
    words: { coming: "vient", "not-coming": "ne vient pas", unsure: "ne sait pas encore" },
    over: "C’est terminé, ou annulé.",
  },
  unsubscribe: {
    line: "Plus d’invitations de notre part",
    title: "Se désinscrire",
    explain:
      "Vous ne recevrez plus d’invitations ni de rappels de {organisation}. Les changements de ce à quoi vous êtes inscrit vous parviendront toujours.",
    act: "Me désinscrire",
    done: "Vous êtes désinscrit. Rien d’autre n’a changé.",
  },
  addressChanged: {
    subject: "Votre adresse pour {event} a été changée",
    hello: "Bonjour {name},",
    body: "l’adresse de votre inscription à {event} a été changée. Les messages vont désormais à la nouvelle adresse, et les liens envoyés ici n’ouvrent plus le billet.",
    ask: "Si ce n’était pas vous, écrivez-nous depuis la page de l’événement :",
  },
};
