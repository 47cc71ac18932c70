/** The block of a program that looks whether a tool is worn or broken, as a template. */
import type { CheckContext } from '@/core/handover'
import type { Machine } from '@/core/tool'
import { fail, ok, type Result } from '@/core/units'
import { asComment } from './post'
import { CHECK_RS274 } from './posts/check-rs274'
import { filledIn, templateEngine } from './template'

export { CHECK_RS274 }

/** @errors BAD_TEMPLATE with the engine's words */
export function renderCheck(
  template: string,
  machine: Machine,
  check: CheckContext,
): Result<string, { readonly code: 'BAD_TEMPLATE'; readonly detail: string }> {
  const engine = templateEngine()
  engine.registerFilter('comment', asComment)
  try {
    return ok(filledIn(engine.parseAndRenderSync(template, { machine, check })))
  } catch (error) {
    return fail({ code: 'BAD_TEMPLATE', detail: error instanceof Error ? error.message.split('\n')[0] : 'unknown' })
  }
}
