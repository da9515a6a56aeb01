"use server";
import { cookies } from "next/headers";
import { revalidatePath } from "next/cache";
import { messagesFor, type Locale } from "@/contracts/messages";
import { Refusal } from "@/core/shared";
import { stepsOf, surveyOpenDays, type SurveyAnswers } from "@/core/survey";
import type { SurveyFormState } from "@/features/survey/survey-form";
import { app } from "@/server/compose";
import { answerSurvey } from "@/server/services/afterwards/survey";
import { surveyOf } from "@/server/services/afterwards/survey-kept";
import { holderOf } from "@/server/services/way-in/tickets";
import { failureOf } from "../../../_lib/request";
import { surveyCookie } from "./survey-cookie";

const daySeconds = 86_400;

/** Takes the form as it was sent; what cannot be taken is said beside its question, and what was chosen stays. */
export async function answerSurveyAction(
  token: string,
  locale: Locale,
  _before: SurveyFormState,
  data: FormData,
): Promise<SurveyFormState> {
  const { context } = await app();
  const { survey: words } = messagesFor(locale);
  try {
    const holder = await holderOf(context, token);
    const survey = await surveyOf(context.db, holder.event.id);
    const answers: SurveyAnswers = Object.fromEntries(
      (survey?.questions ?? []).flatMap(({ id, kind }): [string, string | number | string[]][] => {
        if (!data.has(id)) return [];
        if (kind === "several") return [[id, data.getAll(id).map(String)]];
        const text = String(data.get(id));
        return text === "" ? [] : [[id, stepsOf(kind).length > 0 ? Number(text) : text]];
      }),
    );
    const jar = await cookies();
    const name = surveyCookie(holder.occurrence.id);
    const key = await answerSurvey(context, holder, jar.get(name)?.value ?? null, answers);
    if (key !== null)
      jar.set(name, key, {
        httpOnly: true,
        sameSite: "lax",
        secure: context.environment.STAGE_CALL_URL.startsWith("https:"),
        path: "/survey",
        maxAge: (surveyOpenDays + 2) * daySeconds,
      });
    revalidatePath(`/survey/${token}`);
    return { wrong: null, faults: {}, isKept: true };
  } catch (error) {
    const failure = error instanceof Refusal ? error.failure : failureOf(error);
    if (failure.code === "invalid-input")
      return {
        wrong: null,
        isKept: false,
        faults: Object.fromEntries(
          failure.issues.map(({ path, code }) => [
            path,
            code === "needed" ? words.needed : code === "too-long" ? words.tooLong : words.notOffered,
          ]),
        ),
      };
    const wrong =
      failure.code === "answered-elsewhere"
        ? words.elsewhere
        : failure.code === "survey-closed"
          ? words.closed
          : words.none;
    return { wrong, faults: {}, isKept: false };
  }
}
