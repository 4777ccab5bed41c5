// Files of a campaign. Apart from what writes them, because a page offers them.
export const LIST_EXPORTS = ['records.csv', 'records.ndjson', 'attempts.ndjson', 'abandoned.csv'] as const
export type ListExport = (typeof LIST_EXPORTS)[number]
