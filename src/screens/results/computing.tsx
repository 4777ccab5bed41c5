// What is in view is of the choice before, until this is gone.
export function Computing({ isOn }: { isOn: boolean }) {
  return isOn ? (
    <p role="status" className="mt-4 text-soft">
      Computing the figures…
    </p>
  ) : null
}
