export const notUnderstood = 'That is no time of a block: load the page again.';
export const notTrainee = 'A technician, a lead or an owner moves the day about.';
export const noSuchJob = 'This workshop has no such job.';
export const past = 'That time is past: choose a later one.';
export const pinned = 'Kept: every bench plans by it.';
export const letGo = 'Let go: the plan chooses again.';
