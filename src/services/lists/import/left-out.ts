// Why rows of a file are not taken. Apart from what reads them, because a page says it.
export const LEFT_OUT = ['noNumber', 'badNumber', 'tooManyCells', 'twiceInFile', 'onOtherList', 'onDoNotCall'] as const
export type LeftOut = (typeof LEFT_OUT)[number]

export const LEFT_OUT_WORDS: Readonly<Record<LeftOut, string>> = {
  noNumber: 'no telephone number',
  badNumber: 'no number could be read',
  tooManyCells: 'more cells than headings',
  twiceInFile: 'in the file twice',
  onOtherList: 'on another running list',
  onDoNotCall: 'on the do-not-call list',
}
