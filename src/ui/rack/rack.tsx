import Link from '../common/link'
import type { ToolProfile } from '@/core/tool'
import type { Due } from '../format/due'
import { Silhouette, TAPER_SHOWN_MM } from '../drawing/silhouette'
import { say } from '@/words/screens/shell'

export interface RackTool {
  readonly key: string
  readonly t: number | null
  readonly name: string
  readonly machine: string
  readonly due: Due
  readonly urgent?: boolean
  readonly href: string
  readonly profile: ToolProfile
}

/** The tools that wait here, side by side and to one scale; the one in hand stands raised. */
export function Rack({
  tools,
  current,
  more = 0,
  empty,
}: {
  readonly tools: readonly RackTool[]
  readonly current: string | null
  /** Tools that wait and are not drawn. */
  readonly more?: number
  readonly empty: string
}) {
  const tallest = Math.max(120, ...tools.map((t) => t.profile.highMm))
  return (
    <section
      data-rack
      aria-label={say.rack}
      className="border-stone flex h-[142px] min-w-0 items-end overflow-x-auto overflow-y-hidden border-b-2 px-4 [@media(max-height:600px)]:h-[62px]"
    >
      {tools.map((tool) => {
        const on = tool.key === current
        return (
          <Link
            key={tool.key}
            href={tool.href}
            aria-current={on ? 'true' : undefined}
            title={tool.name}
            aria-label={`T${tool.t ?? '?'} ${tool.name}, ${tool.machine}, ${tool.due.text}`}
            className={`relative flex h-[136px] w-[132px] shrink-0 flex-col items-center justify-end rounded-t-[3px] [@media(max-height:600px)]:h-[60px] ${on ? 'bg-paper outline-act outline-2 -outline-offset-2' : ''}`}
          >
            <span className="font-head absolute inset-x-1 top-2 text-center text-[17px] leading-[1.1] font-semibold">
              T{tool.t ?? '?'}
              <small
                className={`block truncate text-[15px] ${tool.due.late || tool.urgent ? 'text-off font-bold' : 'text-soft font-medium'}`}
              >
                {tool.urgent ? say.waitsMachine(tool.machine) : `${tool.machine} ${tool.due.text}`}
              </small>
            </span>
            <span className="[@media(max-height:600px)]:hidden">
              <Silhouette profile={tool.profile} width={104} height={on ? 90 : 86} mmPerHeight={tallest + TAPER_SHOWN_MM} />
            </span>
          </Link>
        )
      })}
      {more > 0 && (
        <p className="font-head text-soft w-[132px] shrink-0 self-center text-center text-[17px] font-medium">
          {say.moreWaitScanTheOne(more.toLocaleString('en'))}
        </p>
      )}
      {tools.length === 0 && <p className="text-soft self-center text-lg">{empty}</p>}
    </section>
  )
}
