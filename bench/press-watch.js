// Runs in the page under measurement: from the next key's event to the frame after the one in which what is looked for is
// there. Plain JavaScript, because it goes into the page as it stands.

/** A button, or the state, reads exactly `wanted`. */
window.watchPress = (wanted) =>
  window.watchFor(
    () =>
      document.querySelector('[aria-label="Your state"]')?.textContent === wanted ||
      [...document.querySelectorAll('button')].some((button) => button.firstChild?.textContent === wanted),
  )

/** The preview of the author's screen has `wanted` in it. */
window.watchPreview = (wanted) => window.watchFor(() => document.querySelector('[aria-label="Preview"]')?.textContent?.includes(wanted))

window.watchFor = (here) => {
  window.pressShown = new Promise((resolve) => {
    let fromMs = 0
    const onKey = (event) => {
      if (event.key !== 'Alt' && fromMs === 0) fromMs = event.timeStamp
    }
    window.addEventListener('keydown', onKey, { capture: true })
    const observer = new MutationObserver(() => {
      if (fromMs === 0 || !here()) return
      observer.disconnect()
      window.removeEventListener('keydown', onKey, { capture: true })
      // The frame that paints the change begins after this callback; the task after it runs when it has been handed over.
      requestAnimationFrame(() => {
        const { port1, port2 } = new MessageChannel()
        port1.onmessage = () => resolve(performance.now() - fromMs)
        port2.postMessage(null)
      })
    })
    observer.observe(document.body, { subtree: true, childList: true, characterData: true })
  })
}
