"use server";
import { cookies, headers } from "next/headers";
import { redirect } from "next/navigation";
import { wordsOf } from "@/contracts";
import type { SignInState } from "@/features/sign-in/sign-in-form";
import { app } from "@/server/compose";
import { countSignIn, countSecondStep, deviceMark, noteSignIn } from "@/server/services/ground/sign-in-tries";
import { failureOf, remoteAddress } from "../../_lib/request";

const markCookie = "sc-signed-in-before";
const markSeconds = 180 * 86_400;

async function markDevice(email: string): Promise<void> {
  const { context } = await app();
  const secure = context.environment.STAGE_CALL_URL.startsWith("https:");
  const options = { httpOnly: true, sameSite: "lax", secure, path: "/sign-in", maxAge: markSeconds } as const;
  (await cookies()).set(markCookie, deviceMark(context, email), options);
}

/** Signs a team member in. The answer never says which part was wrong. */
export async function signInAction(_before: SignInState, data: FormData): Promise<SignInState> {
  const email = String(data.get("email") ?? "")
    .trim()
    .toLowerCase();
  const { context, signIn } = await app();
  try {
    const mark = (await cookies()).get(markCookie)?.value ?? null;
    await countSignIn(context, { email, network: await remoteAddress(), mark });
  } catch (error) {
    return { step: "password", email, wrong: wordsOf(failureOf(error)) };
  }
  const entered = await signIn.api
    .signInEmail({ body: { email, password: String(data.get("password") ?? "") }, headers: await headers() })
    .catch(() => null);
  if (!entered) {
    await noteSignIn(context, email, false);
    return { step: "password", email, wrong: "Address and password do not fit together." };
  }
  if ("twoFactorRedirect" in entered) return { step: "code", email, wrong: null };
  await noteSignIn(context, email, true);
  await markDevice(email);
  redirect("/season");
}

/** The second step: a code from the authenticator, or one of the recovery codes. */
export async function secondStepAction(before: SignInState, data: FormData): Promise<SignInState> {
  const { email } = before;
  const { context, signIn } = await app();
  try {
    await countSecondStep(context, email, await remoteAddress());
  } catch (error) {
    return { step: "code", email, wrong: wordsOf(failureOf(error)) };
  }
  const code = String(data.get("code") ?? "")
    .replace(/\s/g, "")
    .toLowerCase();
  const isTotp = /^\d{6}$/.test(code);
  const asked = { body: { code }, headers: await headers() };
  const entered = await (isTotp ? signIn.api.verifyTOTP(asked) : signIn.api.verifyBackupCode(asked)).catch(() => null);
  if (!entered) {
    await noteSignIn(context, email, false);
    return { step: "code", email, wrong: "This code is not right, or too old. If it took long, sign in again." };
  }
  // what the browser says of its address is not believed
  await noteSignIn(context, entered.user.email, true);
  await markDevice(entered.user.email);
  redirect("/season");
}

export async function signOutAction(): Promise<void> {
  const { signIn } = await app();
  await signIn.api.signOut({ headers: await headers() });
  redirect("/sign-in");
}
