// After what is happening has given the focus where it gives it: a dialog that closes, a page whose heading is led to.
export const focusLater = (find: () => HTMLElement | null | undefined): void => void setTimeout(() => requestAnimationFrame(() => find()?.focus()))
