import { leaseRenewedEveryMs } from "@/core/programme";
import { steadyTimer } from "../room-link/signs";

/**
 * Renews a lease where no piece has done it for a second: a computer that is late with its pieces is slow, not gone.
 * @param takenAt when the server last took a piece @param lost somebody else holds it @returns how to stop
 */
export function keepLease(leaseUrl: string, takenAt: () => number, lost: () => void): () => void {
  let isAsking = false;
  let renewedAt = 0;
  return steadyTimer(leaseRenewedEveryMs / 2, () => {
    if (isAsking || Date.now() - Math.max(takenAt(), renewedAt) < leaseRenewedEveryMs) return;
    isAsking = true;
    fetch(leaseUrl, { method: "POST", signal: AbortSignal.timeout(leaseRenewedEveryMs * 2) })
      .then((answer) => {
        if (answer.ok) renewedAt = Date.now();
        else if (answer.status === 409) lost();
      })
      // the line is away: what comes next tells whether the lease is still there
      .catch(() => {})
      .finally(() => (isAsking = false));
  });
}
