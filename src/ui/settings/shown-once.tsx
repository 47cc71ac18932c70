/** A secret that somebody has to copy now. */
export const ShownOnce = ({
  title,
  secret,
  about,
}: {
  readonly title: string
  readonly secret: string
  readonly about: string
}) => (
  <div role="status" className="border-ink bg-paper mt-3 border-[1.5px] p-3">
    <b className="text-lg">{title}</b>
    <code className="mt-1 block text-base break-all select-all">{secret}</code>
    <p className="text-soft mt-1">{about}</p>
  </div>
)
