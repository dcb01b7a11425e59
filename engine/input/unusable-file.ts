/** Why a file cannot be used, in one sentence for the person who brought it. */
export class UnusableFile extends Error {}
