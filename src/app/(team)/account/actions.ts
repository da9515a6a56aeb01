"use server";
import { headers } from "next/headers";
import { revalidatePath } from "next/cache";
import { toString } from "qrcode";
import { shortestPassword } from "@/contracts";
import { Refusal } from "@/core/shared";
import { app } from "@/server/compose";
import { audit } from "@/server/services/ground/audit";
import { wrongInput } from "@/server/services/ground/context";
import { countTry } from "@/server/services/ground/tries";
import { act, currentMember } from "../../_lib/request";

/** Changes one's own password, which ends every other session. */
export async function changePasswordAction(input: { current: string; next: string }) {
  return act(async () => {
    const { context, member } = await currentMember();
    await countTry(context, "sign-in", `password|${member.userId}`);
    if (String(input.next).length < shortestPassword) throw wrongInput("next", "password-too-short");
    const { signIn } = await app();
    try {
      await signIn.api.changePassword({
        body: { currentPassword: String(input.current), newPassword: String(input.next), revokeOtherSessions: true },
        headers: await headers(),
      });
    } catch {
      throw wrongInput("current", "password-wrong");
    }
    const { organisationId, userId: actorId } = member;
    await audit(context, context.db, { organisationId, actorId, action: "password.change" });
  });
}

/** Signs one's other devices out. */
export async function endOtherSessionsAction() {
  return act(async () => {
    const { context, member } = await currentMember();
    const { signIn } = await app();
    const { status } = await signIn.api.revokeOtherSessions({ headers: await headers() });
    if (!status) throw new Refusal({ code: "unavailable" });
    const { organisationId, userId: actorId } = member;
    await audit(context, context.db, { organisationId, actorId, action: "sessions.end" });
    revalidatePath("/account");
  });
}

/** Begins the second step: a secret for an authenticator, shown once, and recovery codes. It is off until a code is given. */
export async function beginSecondStepAction(password: string) {
  return act(async () => {
    const { context, member } = await currentMember();
    await countTry(context, "sign-in", `password|${member.userId}`);
    const { signIn } = await app();
    const made = await signIn.api
      .enableTwoFactor({ body: { password: String(password), method: "totp" }, headers: await headers() })
      .catch(() => null);
    if (!made || !("totpURI" in made)) throw wrongInput("password", "password-wrong");
    const secret = new URL(made.totpURI).searchParams.get("secret") ?? "";
    const picture = await toString(made.totpURI, { type: "svg", margin: 1, errorCorrectionLevel: "M" });
    return { secret, picture: `data:image/svg+xml;utf8,${encodeURIComponent(picture)}`, codes: made.backupCodes };
  });
}

/**
 * Turns the second step on, once the authenticator says the right code. The session is a new one
 * then: the page asks anew by itself, with the new cookie.
 */
export async function confirmSecondStepAction(code: string) {
  return act(async () => {
    const { context, member } = await currentMember();
    await countTry(context, "sign-in", `second step|${member.userId}`);
    const { signIn } = await app();
    const body = { code: String(code).replace(/\s/g, "") };
    const isRight = await signIn.api.verifyTOTP({ body, headers: await headers() }).then(
      () => true,
      () => false,
    );
    if (!isRight) throw wrongInput("code", "code-wrong");
    const { organisationId, userId: actorId } = member;
    await audit(context, context.db, { organisationId, actorId, action: "second-step.on" });
  });
}

/** Turns the second step off. */
export async function endSecondStepAction(password: string) {
  return act(async () => {
    const { context, member } = await currentMember();
    await countTry(context, "sign-in", `password|${member.userId}`);
    const { signIn } = await app();
    const body = { password: String(password) };
    const isOff = await signIn.api.disableTwoFactor({ body, headers: await headers() }).then(
      () => true,
      () => false,
    );
    if (!isOff) throw wrongInput("password", "password-wrong");
    const { organisationId, userId: actorId } = member;
    await audit(context, context.db, { organisationId, actorId, action: "second-step.off" });
  });
}
