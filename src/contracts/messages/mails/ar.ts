import type { MailMessages } from "./en";

/** Words of mails and what stands in them, in Arabic. */
export const mails: MailMessages = {
  mail: {
    confirmation: {
      subject: "تذكرتك: {{event}}",
      body: "مرحبًا {{name}}،\n\nتم تسجيلك في {{event}}. يبدأ {{starts_in}}.\n\n{{join_details}}\n\nالرابط لك وحدك. من أراد الحضور أيضًا فليسجّل ليحصل على تذكرته الخاصة.\n\n{{producer}}",
    },
    "waiting-list": {
      subject: "قائمة الانتظار: {{event}}",
      body: "مرحبًا {{name}}،\n\nجميع الأماكن في {{event}}، {{when}}، محجوزة حاليًا. رقمك في قائمة الانتظار {{place_in_line}}؛ إذا شغر مكان فهو لك ونكتب إليك فورًا.\n\nإذا لم تعد ترغب فيه فتنازل عن دورك هنا: {{ticket_link}}\n\n{{producer}}",
    },
    "waiting-list-place": {
      subject: "شغر مكان: {{event}}",
      body: "مرحبًا {{name}}،\n\nشغر مكان وهو لك: تم تسجيلك في {{event}}.\n\n{{join_details}}\n\n{{producer}}",
    },
    "registration-cancelled": {
      subject: "أُلغيت: تذكرتك إلى {{event}}",
      body: "مرحبًا {{name}}،\n\nأُلغي تسجيلك في {{event}}. لن تصلك رسائل أخرى عنه.\n\n{{producer}}",
    },
    reminder: {
      subject: "{{event}} يبدأ {{starts_in}}",
      body: "مرحبًا {{name}}،\n\n{{event}} يبدأ {{starts_in}}.\n\n{{join_details}}\n\n{{producer}}",
    },
    "call-time-reminder": {
      subject: "موعد حضورك إلى {{event}}",
      body: "مرحبًا {{name}}،\n\nتُفتح الكواليس قريبًا من أجل {{event}} الذي يبدأ {{starts_in}}. نرجو الحضور بسماعات رأس.\n\n{{join_details}}\n\n{{producer}}",
    },
    "stage-invitation": {
      subject: "أنت على المسرح: {{event}}",
      body: "مرحبًا {{name}}،\n\nأنت ممن سيكونون على المسرح في {{event}}.\n\n{{join_details}}\n\nاحضر إلى الكواليس في الموعد ومعك سماعات رأس؛ يُجرَّب الصوت والصورة عند الباب.\n\n{{producer}}",
    },
    invitation: {
      subject: "دعوة: {{event}}",
      body: "مرحبًا {{name}}،\n\nيسرّنا أن نراك في {{event}}.\n\n{{join_details}}\n\n{{producer}}",
    },
    "invitation-again": {
      subject: "هل ستحضر؟ {{event}}",
      body: "مرحبًا {{name}}،\n\nلم يصلنا ردّك بعد بشأن {{event}}. كلمة واحدة تكفي.\n\n{{join_details}}\n\n{{producer}}",
    },
    note: { subject: "{{event}}", body: "مرحبًا {{name}}،\n\n\n\n{{producer}}" },
    "follow-up-came": {
      subject: "شكرًا لحضورك: {{event}}",
      body: "مرحبًا {{name}}،\n\nشكرًا لحضورك {{event}}.\n\n{{event_link}}\n\n{{producer}}",
    },
    "follow-up-missed": {
      subject: "افتقدناك: {{event}}",
      body: "مرحبًا {{name}}،\n\nيؤسفنا أنك لم تتمكن من حضور {{event}}.\n\n{{event_link}}\n\n{{producer}}",
    },
    "recording-ready": {
      subject: "التسجيل جاهز: {{event}}",
      body: "مرحبًا {{name}}،\n\nتسجيل {{event}} جاهز للمشاهدة:\n\n{{recording_link}}\n\n{{producer}}",
    },
    change: {
      subject: "موعد جديد: {{event}}",
      body: "مرحبًا {{name}}،\n\nتغيّر موعد {{event}}. الموعد الجديد: {{when}}. تذكرتك ورابطك كما هما.\n\n{{join_details}}\n\n{{producer}}",
    },
    cancellation: {
      subject: "أُلغي: {{event}}",
      body: "مرحبًا {{name}}،\n\nلن يُعقد {{event}} الذي كان مقررًا {{when}}.\n\n{{reason}}\n\n{{producer}}",
    },
    pending: {
      subject: "وصلنا تسجيلك: {{event}}",
      body: "مرحبًا {{name}}،\n\nشكرًا لتسجيلك في {{event}}. ننظر في كل تسجيل ونكتب إليك حالما يُبتّ في تسجيلك.\n\n{{producer}}",
    },
    decline: {
      subject: "بشأن تسجيلك: {{event}}",
      body: "مرحبًا {{name}}،\n\nلا مكان لك في {{event}} هذه المرة. لن تصلك رسائل أخرى عنه.\n\n{{producer}}",
    },
    "rehearsal-invitation": {
      subject: "تمرين: {{event}}",
      body: "مرحبًا {{name}}،\n\nهناك تمرين على {{event}}. يبدأ {{starts_in}}؛ ولا يحضره إلا من هم على المسرح.\n\n{{join_details}}\n\n{{producer}}",
    },
    answer: {
      subject: "سؤالك في {{event}}",
      body: "مرحبًا {{name}}،\n\nسألت في {{event}}:\n\n{{question}}\n\nالجواب:\n\n{{answer}}\n\n{{producer}}",
    },
    "entry-link": {
      subject: "دخولك: {{event}}",
      body: "مرحبًا {{name}}،\n\nهذا الرابط يُدخل الجهاز الذي تفتحه عليه إلى {{event}}. يصلح مرة واحدة خلال ربع ساعة.\n\n{{entry_link}}\n\nإن لم تطلبه فقد وصل رابط لك إلى غيرك: لا حاجة إلى فعل شيء، فلن يستطيع الدخول.\n\n{{producer}}",
    },
  },
  duties: {
    "doors-and-curtain": "الأبواب والستارة",
    cues: "الإشارات",
    questions: "الأسئلة",
    chat: "الدردشة",
    polls: "الاستطلاعات",
    people: "الأشخاص",
    recording: "التسجيل",
  },
  deskWay: {
    line: "تُؤدّى مهامك من لوحة التحكم: {duties}.",
    open: "افتح لوحتك",
    ask: "أرسل لي رابط لوحتي",
    asked: "رابط في طريقه إلى عنوانك، وسيطلب منك اختيار كلمة مرور.",
  },
  joinBlock: {
    duties: "مهامك",
    place: "المكان",
    interpreted: "الترجمة الفورية إلى",
    join: "الدخول",
    register: "التسجيل",
    when: "متى",
    call: "موعد الحضور",
    code: "رمز الدخول",
    ticket: "تذكرتك",
    phone: "بالهاتف",
    conference: "رقم المؤتمر",
    pin: "رقمك السري",
    reply: "هل ستحضر؟",
  },
  whenWords: {
    one: "{date}، {time} في {city}",
    two: "{date}، {time} في {city} ({other} في {otherCity})",
    forYou: "{time} بتوقيتك",
  },
  startsIn: {
    minutes:
      "{count, plural, =0 {بعد لحظة} zero {بعد # دقيقة} one {بعد دقيقة} two {بعد دقيقتين} few {بعد # دقائق} many {بعد # دقيقة} other {بعد # دقيقة}}",
    hours:
      "{count, plural, zero {بعد # ساعة} one {بعد ساعة} two {بعد ساعتين} few {بعد # ساعات} many {بعد # ساعة} other {بعد # ساعة}}",
    days: "{count, plural, zero {بعد # يوم} one {بعد يوم} two {بعد يومين} few {بعد # أيام} many {بعد # يومًا} other {بعد # يوم}}",
    running: "الآن",
  },
  reply: {
    title: "هل ستحضر؟",
    asked: "{name}، أنت مدعو إلى {event}.",
    coming: "سأحضر",
    unsure: "لا أعرف بعد",
    notComing: "لا أستطيع الحضور",
    now: "ردّك حتى الآن: {reply}.",
    thanks: "شكرًا. يمكنك تغييره هنا حتى البداية.",
    questions: "بقيت خطوة واحدة: يطرح عليك الحدث بعض الأسئلة قبل تسجيلك.",
    words: { coming: "سيحضر", "not-coming": "لن يحضر", unsure: "غير متأكد" },
    over: "انتهى أو أُلغي.",
  },
  unsubscribe: {
    line: "لا أريد دعوات أخرى",
    title: "إلغاء الاشتراك",
    explain: "لن تصلك دعوات أو تذكيرات من {organisation}. أما ما سجّلت فيه فتصلك تغييراته.",
    act: "إلغاء الاشتراك",
    done: "أُلغي اشتراكك. لم يتغير شيء آخر.",
  },
  addressChanged: {
    subject: "تغيّر عنوانك في {event}",
    hello: "مرحبًا {name}،",
    body: "تغيّر عنوان البريد لتسجيلك في {event}. من الآن تصل الرسائل إلى العنوان الجديد، والروابط التي وصلت إلى هنا لم تعد تفتح التذكرة.",
    ask: "إن لم تكن أنت من غيّره فاكتب إلينا من صفحة الفعالية:",
  },
};
