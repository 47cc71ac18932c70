import { describe, expect, it } from 'vitest'
import { filledIn, TEMPLATE_LIMITS, templateEngine } from './template'

const fill = (template: string, values: object = {}) => filledIn(templateEngine().parseAndRenderSync(template, values))

describe('a template that somebody typed', () => {
  it.each([
    "{% render 'package.json' %}",
    "{% include '/etc/passwd' %}",
    "{% layout 'package.json' %}",
    '{% block a %}{% endblock %}',
    '{% increment n %}',
    '{% tablerow i in (1..3) %}{% endtablerow %}',
    "{{ 'a' | date: '%Y' }}",
    "{{ 'a,b' | split: ',' }}",
    "{{ tools | where: 'a', 1 }}",
  ])('reads no file and knows nothing but what it needs: %s', (template) => expect(() => fill(template, { tools: [] })).toThrow())

  it.each([
    ['counts without an end', '{% for i in (1..400000000) %}{% endfor %}'],
    ['counts within counting', '{% for a in (1..90000) %}{% for b in (1..90000) %}{% endfor %}{% endfor %}'],
    ['doubles itself', `{% assign s = 'abcdefghij' %}${'{% assign s = s | append: s %}'.repeat(40)}{{ s | size }}`],
    ['is longer than a template may be', 'x'.repeat(TEMPLATE_LIMITS.characters + 1)],
    ['becomes longer than it may', '{% for i in (1..3000) %}{{ s }}{% endfor %}'],
  ])('is ended when it %s', (_, template) => expect(() => fill(template, { s: 'y'.repeat(1000) })).toThrow())

  it('still does what posts need', () => {
    expect(
      fill('{% for t in tools %}{% if t.on %}{{ t.n | plus: 1 }} {% endif %}{% endfor %}', { tools: [{ on: true, n: 4 }] }),
    ).toBe('5 ')
    expect(fill('{% assign a = x | default: 7 %}{{ a | append: "!" }}', { x: null })).toBe('7!')
  })
  it('of a value only its own fields are seen', () => expect(() => fill('{{ a.constructor }}', { a: {} })).toThrow())
})
