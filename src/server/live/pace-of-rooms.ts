/** How often a process looks after its rooms, in milliseconds. */
export const figuresEveryMs = 250;
/** presence alone, and what another process counted, is read anew at most this often */
export const recountEveryMs = 5000;
/** how much longer an hour can be kept changes slowly */
export const spaceReadEveryMs = 15_000;
export const headsEveryMs = 1000;
export const keepAliveEveryMs = 15_000;
export const mostStreamsEach = 4;
