export const onlyOwnerSaves = 'Only an owner saves, and only the one workshop of a machine.';
export const noneMadeSince = 'None was made since.';
