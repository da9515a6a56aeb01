import { randomInt } from "node:crypto";
import { betterAuth } from "better-auth";
import { drizzleAdapter } from "better-auth/adapters/drizzle";
import { nextCookies } from "better-auth/next-js";
import { twoFactor } from "better-auth/plugins";
import { readableText } from "@/core/shared";
import type { Db } from "./db/client";
import { account, session, twoFactor as twoFactorTable, user, verification } from "./db/schema";

const chance = (): number => randomInt(2 ** 32) / 2 ** 32;
/** Ten codes that are copied by hand without a mistake; 49 bits each. */
const recoveryCodes = (): string[] =>
  Array.from({ length: 10 }, () => `${readableText(5, chance)}-${readableText(5, chance)}`);

/** The team's sign-in: scrypt-hashed passwords, HttpOnly SameSite cookies, a new session at each sign-in. */
export function makeSignIn(db: Db, origin: string, secret: string) {
  return betterAuth({
    baseURL: origin,
    secret,
    trustedOrigins: [origin],
    database: drizzleAdapter(db as never, {
      provider: "pg",
      schema: { user, session, account, verification, twoFactor: twoFactorTable },
    }),
    emailAndPassword: { enabled: true, disableSignUp: true, minPasswordLength: 12 },
    session: { expiresIn: 7 * 86_400, updateAge: 3600 },
    advanced: { cookiePrefix: "stage-call", defaultCookieAttributes: { httpOnly: true, sameSite: "lax" } },
    // counted by services/tries, by address and by network, for every process together
    rateLimit: { enabled: false },
    telemetry: { enabled: false },
    plugins: [
      // TOTP by RFC 6238: six digits, thirty seconds; ten recovery codes, each good once
      twoFactor({
        issuer: "Stage Call",
        backupCodeOptions: { customBackupCodesGenerate: recoveryCodes },
        accountLockout: { maxFailedAttempts: 10, durationSeconds: 900 },
      }),
      nextCookies(),
    ],
  });
}
export type SignIn = ReturnType<typeof makeSignIn>;
