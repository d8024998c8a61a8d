/** Holds "day" or "night" where a person chose; without it the system's choice counts. */
export const themeCookieName = 'oil-can-theme';
