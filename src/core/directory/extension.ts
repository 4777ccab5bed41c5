// Apart from what reads numbers: that is large, and a desk that shows one has no need of it.

/** A number with what is sent once it has answered, as it is shown. */
export const withExtension = (written: string, extension: string | null | undefined): string => (extension == null ? written : `${written} ext. ${extension}`)
