/** The boulder of the header. */
export function Mark() {
  return (
    <svg width="26" height="24" viewBox="0 0 26 24" aria-hidden="true">
      <path d="M2 22 L1 13 L7 4 L16 1 L24 9 L25 20 L21 23 L6 23Z" fill="var(--stone)" />
      <path d="M7 4 L11 12 L24 9 M11 12 L6 23" stroke="var(--color-base-100)" strokeWidth="1.6" fill="none" />
    </svg>
  )
}
