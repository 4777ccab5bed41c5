// Runs in the page under measurement: writes into its reply as a person would, only faster, and notes tasks that kept the page from answering. Plain
// JavaScript, because it goes into the page as it stands.

const longTasks = []
const observer = new PerformanceObserver((list) => longTasks.push(...list.getEntries().map((e) => e.duration)))
observer.observe({ type: 'longtask' })

window.takeLongTasks = () => {
  longTasks.push(...observer.takeRecords().map((e) => e.duration))
  return longTasks.splice(0)
}

const reply = () => [...document.querySelectorAll('textarea')].find((field) => field.labels?.[0]?.textContent === 'Your reply')
const frame = () => new Promise((resolve) => requestAnimationFrame(resolve))
const afterFrame = async () => {
  await frame()
  const { port1, port2 } = new MessageChannel()
  const handedOver = new Promise((resolve) => (port1.onmessage = resolve))
  port2.postMessage(null)
  await handedOver
}
const setText = (text) => {
  const field = reply()
  Object.getOwnPropertyDescriptor(HTMLTextAreaElement.prototype, 'value').set.call(field, text)
  field.dispatchEvent(new InputEvent('input', { bubbles: true }))
}
const send = async () => {
  await frame()
  reply().dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', ctrlKey: true, bubbles: true, cancelable: true }))
  while (reply().value !== '') await frame()
}

window.sendLines = async (count) => {
  for (let i = 1; i <= count; i++) {
    setText(`Line ${i}: the boat of ${i % 24}:45 has room for cars, and dogs are welcome on deck.`)
    await send()
  }
}

window.send = send

window.pasteLong = async (characters) => {
  const end = ' the last of it.'
  setText('word '.repeat(Math.floor((characters - end.length) / 5)) + end)
  await afterFrame()
}

window.readThrough = async () => {
  const box = document.querySelector('[role="log"]')
  for (let top = box.scrollHeight; top > 0; top -= Math.max(400, box.scrollHeight / 200)) {
    box.scrollTop = top
    await frame()
  }
}

window.typeLetter = async () => {
  const fromMs = performance.now()
  setText(`${reply().value}w`)
  await afterFrame()
  return performance.now() - fromMs
}
