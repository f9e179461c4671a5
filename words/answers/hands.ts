export const noBadge = 'That is no badge of a workshop.';
export const benchNotLocked = 'This bench is not locked.';
export const nobodysBadge = 'This badge is nobody’s here.';
export const notIt = 'That is not it.';
export const numberKept = 'Kept: it follows your badge from now on.';
