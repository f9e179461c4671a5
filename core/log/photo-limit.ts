/** The largest photograph that is taken in, as it comes from a camera. */
export const photoLimitBytes = 25_000_000;
