/**
 * What can be done about a part's identity when a slot gets another piece. `original`: the old one moves over or stays.
 */
export const remedies = ['original', 'copy', 'chip', 'calibrate', 'accept', 'third party'] as const;
export type Remedy = (typeof remedies)[number];
