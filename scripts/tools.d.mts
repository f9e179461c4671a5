/** Builds the tools when their sources are newer. @returns where the command line stands built */
export function tools(): string;
