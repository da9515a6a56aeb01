import { Gate } from "../../platform/gate";

/**
 * Registrations of this process: half of the pool's connections at once, so that everybody else still gets an
 * answer, and some seconds' worth waiting. Whoever comes beyond that is told "one moment", and their page goes
 * on by itself.
 */
export const atTheDoor = new Gate({ atOnce: 10, waiting: 500 });
