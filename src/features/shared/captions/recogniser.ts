/** What a recogniser says of what it hears. */
export interface Hearing {
  /** words that may still change */
  partial(text: string): void;
  /** a line that stands */
  line(text: string): void;
  /** it cannot go on: no permission, no microphone, no answer */
  failed(): void;
}

/** Something that turns speech into lines. Its real counterpart is the browser's own, where it has one. */
export interface Recogniser {
  /** @param language BCP 47 */
  start(language: string, hearing: Hearing): void;
  stop(): void;
}

/** The part of the Web Speech API (W3C draft) that is used here; browsers' types do not have it yet. */
interface SpeechResult {
  readonly isFinal: boolean;
  readonly 0: { readonly transcript: string };
}
interface BrowserRecognition {
  lang: string;
  continuous: boolean;
  interimResults: boolean;
  onresult: ((event: { resultIndex: number; results: ArrayLike<SpeechResult> }) => void) | null;
  onerror: ((event: { error: string }) => void) | null;
  onend: (() => void) | null;
  start(): void;
  abort(): void;
}
type Made = new () => BrowserRecognition;

const madeBy = (scope: object): Made | null => {
  const named = scope as { SpeechRecognition?: Made; webkitSpeechRecognition?: Made };
  return named.SpeechRecognition ?? named.webkitSpeechRecognition ?? null;
};

/** Silence and a lost word are no end; everything else is. */
const passing: ReadonlySet<string> = new Set(["no-speech", "aborted"]);

/** The browser's own recogniser; null where it has none. @param scope the window, given in tests */
export function browserRecogniser(scope: object): Recogniser | null {
  const Recognition = madeBy(scope);
  if (!Recognition) return null;
  let running: BrowserRecognition | null = null;
  return {
    start(language, hearing) {
      const own = new Recognition();
      running = own;
      Object.assign(own, { lang: language, continuous: true, interimResults: true });
      own.onresult = ({ resultIndex, results }) => {
        for (let i = resultIndex; i < results.length; i++) {
          const { isFinal, 0: best } = results[i]!;
          const text = best.transcript.trim();
          if (text !== "") hearing[isFinal ? "line" : "partial"](text);
        }
      };
      own.onerror = ({ error }) => {
        if (passing.has(error)) return;
        running = null;
        hearing.failed();
      };
      // browsers end it after a pause: it goes on for as long as somebody wants it
      own.onend = () => {
        if (running === own) own.start();
      };
      own.start();
    },
    stop() {
      const own = running;
      running = null;
      own?.abort();
    },
  };
}
