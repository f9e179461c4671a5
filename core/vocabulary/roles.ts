/** Who works here, by what they may: the most first. */
export const roles = ['owner', 'lead', 'technician', 'trainee'] as const;
export type Role = (typeof roles)[number];
