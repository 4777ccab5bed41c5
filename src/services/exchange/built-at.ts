// When this part of the program was built, as the build says it: the same of pages and workers that belong together, 0 where nothing was built.
export const BUILT_AT_MS = Number(process.env.NEXT_PUBLIC_BUILT_AT ?? 0)
