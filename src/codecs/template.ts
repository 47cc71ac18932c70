/** Templates that a shop types (posts, lines of labels, texts of steps): Liquid without files, with few tags and filters, and with limits. */
import { Liquid } from 'liquidjs'

/** Everything else is not known: above all whatever reads another file (render, include, layout). */
const TAGS = ['if', 'unless', 'case', 'for', 'assign', 'comment']
const FILTERS = [
  ...['default', 'escape', 'json', 'size', 'first', 'last', 'join'],
  ...['append', 'prepend', 'replace', 'remove', 'slice', 'strip', 'upcase', 'downcase', 'capitalize'],
  ...['plus', 'minus', 'times', 'divided_by', 'modulo', 'round', 'floor', 'ceil', 'abs', 'at_least', 'at_most'],
]

/** Characters of a template, and of what it may become; time to fill it in, ms; places of memory it may ask for. */
export const TEMPLATE_LIMITS = { characters: 20_000, output: 1_000_000, renderMs: 2000, memory: 2_000_000 } as const

/** A new engine: filters of its own are registered on it. */
export function templateEngine(): Liquid {
  const engine = new Liquid({
    strictFilters: true,
    strictVariables: true,
    ownPropertyOnly: true,
    // a file system without any file in it
    templates: {},
    parseLimit: TEMPLATE_LIMITS.characters,
    renderLimit: TEMPLATE_LIMITS.renderMs,
    memoryLimit: TEMPLATE_LIMITS.memory,
  })
  for (const tag of Object.keys(engine.tags)) if (!TAGS.includes(tag)) delete engine.tags[tag]
  for (const filter of Object.keys(engine.filters)) if (!FILTERS.includes(filter)) delete engine.filters[filter]
  return engine
}

/** @errors what came out is longer than a template may become */
export function filledIn(text: unknown): string {
  const filled = String(text)
  if (filled.length > TEMPLATE_LIMITS.output) throw new Error('what it becomes is too long')
  return filled
}
