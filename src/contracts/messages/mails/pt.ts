import type { MailMessages } from "./en";

/** Words of mails and what stands in them, in Portuguese. */
export const mails: MailMessages = {
  mail: {
    confirmation: {
      subject: "O seu bilhete: {{event}}",
      body: "Olá, {{name}},\n\na sua inscrição em {{event}} está feita. Começa {{starts_in}}.\n\n{{join_details}}\n\nA ligação é só sua. Quem mais quiser vir pode inscrever-se e recebe um bilhete próprio.\n\n{{producer}}",
    },
    "waiting-list": {
      subject: "Lista de espera: {{event}}",
      body: "Olá, {{name}},\n\nneste momento todos os lugares para {{event}}, {{when}}, estão ocupados. É o número {{place_in_line}} da lista de espera; se um lugar ficar livre, é seu e escrevemos-lhe logo.\n\nSe já não o quiser, desista aqui: {{ticket_link}}\n\n{{producer}}",
    },
    "waiting-list-place": {
      subject: "Ficou um lugar livre: {{event}}",
      body: "Olá, {{name}},\n\nficou um lugar livre e é seu: está inscrito em {{event}}.\n\n{{join_details}}\n\n{{producer}}",
    },
    "registration-cancelled": {
      subject: "Anulado: o seu bilhete para {{event}}",
      body: "Olá, {{name}},\n\na sua inscrição em {{event}} está anulada. Não recebe mais mensagens sobre isto.\n\n{{producer}}",
    },
    reminder: {
      subject: "{{event}} começa {{starts_in}}",
      body: "Olá, {{name}},\n\n{{event}} começa {{starts_in}}.\n\n{{join_details}}\n\n{{producer}}",
    },
    "call-time-reminder": {
      subject: "A sua chamada para {{event}}",
      body: "Olá, {{name}},\n\nos bastidores abrem em breve para {{event}}, que começa {{starts_in}}. Venha com auscultadores, por favor.\n\n{{join_details}}\n\n{{producer}}",
    },
    "stage-invitation": {
      subject: "Está em palco: {{event}}",
      body: "Olá, {{name}},\n\né uma das pessoas em palco em {{event}}.\n\n{{join_details}}\n\nVenha aos bastidores à hora da chamada, com auscultadores; à porta experimentam-se o som e a imagem.\n\n{{producer}}",
    },
    invitation: {
      subject: "Convite: {{event}}",
      body: "Olá, {{name}},\n\nteríamos gosto em vê-lo em {{event}}.\n\n{{join_details}}\n\n{{producer}}",
    },
    "invitation-again": {
      subject: "Vem? {{event}}",
      body: "Olá, {{name}},\n\nainda não sabemos se vem a {{event}}. Basta uma palavra.\n\n{{join_details}}\n\n{{producer}}",
    },
    note: { subject: "{{event}}", body: "Olá, {{name}},\n\n\n\n{{producer}}" },
    "follow-up-came": {
      subject: "Obrigado por ter vindo: {{event}}",
      body: "Olá, {{name}},\n\nobrigado por ter estado em {{event}}.\n\n{{event_link}}\n\n{{producer}}",
    },
    "follow-up-missed": {
      subject: "Sentimos a sua falta: {{event}}",
      body: "Olá, {{name}},\n\ntemos pena de que não tenha podido estar em {{event}}.\n\n{{event_link}}\n\n{{producer}}",
    },
    "recording-ready": {
      subject: "A gravação está pronta: {{event}}",
      body: "Olá, {{name}},\n\na gravação de {{event}} já pode ser vista:\n\n{{recording_link}}\n\n{{producer}}",
    },
    change: {
      subject: "Nova hora: {{event}}",
      body: "Olá, {{name}},\n\n{{event}} mudou. A nova hora é {{when}}. O seu bilhete e a sua ligação ficam os mesmos.\n\n{{join_details}}\n\n{{producer}}",
    },
    cancellation: {
      subject: "Cancelado: {{event}}",
      body: "Olá, {{name}},\n\n{{event}}, previsto para {{when}}, não se realiza.\n\n{{reason}}\n\n{{producer}}",
    },
    pending: {
      subject: "Recebemos a sua inscrição: {{event}}",
      body: "Olá, {{name}},\n\nobrigado por se inscrever em {{event}}. Cada inscrição é vista; escrevemos-lhe assim que a sua estiver decidida.\n\n{{producer}}",
    },
    decline: {
      subject: "Sobre a sua inscrição: {{event}}",
      body: "Olá, {{name}},\n\ndesta vez não há lugar para si em {{event}}. Não recebe mais mensagens sobre isto.\n\n{{producer}}",
    },
    "rehearsal-invitation": {
      subject: "Ensaio: {{event}}",
      body: "Olá, {{name}},\n\nhá um ensaio de {{event}}. Começa {{starts_in}}; só vem quem está em palco.\n\n{{join_details}}\n\n{{producer}}",
    },
    answer: {
      subject: "A sua pergunta em {{event}}",
      body: "Olá, {{name}},\n\nem {{event}} perguntou:\n\n{{question}}\n\nA resposta:\n\n{{answer}}\n\n{{producer}}",
    },
    "entry-link": {
      subject: "A sua entrada: {{event}}",
      body: "Olá, {{name}},\n\nesta ligação deixa entrar em {{event}} o aparelho em que a abrir. Serve uma vez, durante um quarto de hora.\n\n{{entry_link}}\n\nSe não a pediu, alguém tem uma ligação sua: não precisa de fazer nada, não consegue entrar.\n\n{{producer}}",
    },
  },
  duties: {
    "doors-and-curtain": "portas e cortina",
    cues: "deixas",
    questions: "perguntas",
    chat: "chat",
    polls: "sondagens",
    people: "pessoas",
    recording: "gravação",
  },
  deskWay: {
    line: "As suas tarefas fazem-se numa mesa: {duties}.",
    open: "Abrir a sua mesa",
    ask: "Enviar-me um link para a minha mesa",
    asked: "Um link está a caminho do seu endereço. Pede-lhe que escolha uma palavra-passe.",
  },
  joinBlock: {
    duties: "As suas tarefas",
    place: "Local",
    interpreted: "Interpretado para",
    join: "Entrar",
    register: "Inscrever-se",
    when: "Quando",
    call: "Chamada",
    code: "Código de acesso",
    ticket: "O seu bilhete",
    phone: "Por telefone",
    conference: "Número da conferência",
    pin: "O seu PIN",
    reply: "Vem?",
  },
  whenWords: {
    one: "{date}, {time} em {city}",
    two: "{date}, {time} em {city} ({other} em {otherCity})",
    forYou: "{time} para si",
  },
  startsIn: {
    minutes: "dentro de {count, plural, =0 {um instante} one {# minuto} other {# minutos}}",
    hours: "dentro de {count, plural, one {# hora} other {# horas}}",
    days: "dentro de {count, plural, one {# dia} other {# dias}}",
    running: "agora",
  },
  reply: {
    title: "Vem?",
    asked: "{name}, está convidado para {event}.",
    coming: "Venho",
    unsure: "Ainda não sei",
    notComing: "Não posso vir",
    now: "A sua resposta até agora: {reply}.",
    thanks: "Obrigado. Pode mudá-la aqui até começar.",
    questions: "Falta um passo: antes de o inscrever, o evento faz-lhe algumas perguntas.",
    words: { coming: "vem", "not-coming": "não vem", unsure: "ainda não sabe" },
    over: "Já terminou, ou foi cancelado.",
  },
  unsubscribe: {
    line: "Não quero mais convites",
    title: "Cancelar a subscrição",
    explain:
      "Não recebe mais convites nem lembretes de {organisation}. As mudanças daquilo em que está inscrito continuam a chegar-lhe.",
    act: "Cancelar a subscrição",
    done: "A subscrição está cancelada. Nada mais mudou.",
  },
  addressChanged: {
    subject: "O seu endereço para {event} foi alterado",
    hello: "Olá, {name},",
    body: "o endereço de correio da sua inscrição em {event} foi alterado. A partir de agora as mensagens vão para o novo endereço, e as ligações enviadas para aqui já não abrem o bilhete.",
    ask: "Se não foi você, escreva-nos a partir da página do evento:",
  },
};
