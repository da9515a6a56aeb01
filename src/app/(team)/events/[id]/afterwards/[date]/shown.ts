export const shown = 300;
