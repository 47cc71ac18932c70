/**
 * Everything that people read stands in src/words: a text of three words or more anywhere else is a sentence that somebody
 * would have to look for. Not meant: class names, SQL, markup, formats of dates, what only a programmer reads (errors that
 * cannot happen, logs), types, and the values named in the option `kept`, which stand in databases.
 */
const WORD = /\p{L}[\p{L}’'-]*/gu
const CLASSES = /^-?[a-z0-9@[][^\s…“”’]*$/
const NOT_FOR_READERS = /^\s*(select|insert|update|delete|with|create|pragma|begin|from|where|order by|and|union|explain)\b|^</i
const DATE_FORMAT = /^[dMyHhmsE\s.:,-]+$/

const isClasses = (text) => {
  const parts = text.trim().split(/\s+/)
  return parts.every((p) => CLASSES.test(p)) && parts.some((p) => /[-[:]/.test(p))
}

const countWords = (text) => (text.match(WORD) ?? []).filter((w) => w.length > 1 || /[aI]/.test(w)).length

const isSentence = (text) =>
  countWords(text) >= 3 &&
  /\p{L}\s+\p{L}/u.test(text) &&
  !isClasses(text) &&
  !NOT_FOR_READERS.test(text) &&
  !DATE_FORMAT.test(text)

/** Calls whose texts nobody at the bench reads. */
const QUIET =
  /(^|\.)(prepare|exec|pragma|log|error|warn|info|debug|assert|impossible|querySelector|querySelectorAll|closest|matches|describe|raw|sql)$/

function isQuiet(node, source) {
  for (let at = node; at.parent; at = at.parent) {
    const { parent } = at
    if (parent.type === 'ImportDeclaration' || parent.type === 'ExportNamedDeclaration') return parent.source === at
    if (parent.type === 'TSLiteralType' || parent.type === 'TSTemplateLiteralType') return true
    if (parent.type === 'ExpressionStatement' && parent.directive) return true
    if (parent.type === 'JSXAttribute') return /^(className|d|style|points|transform|viewBox)$/.test(source.getText(parent.name))
    if (parent.type === 'Property' && parent.key === at) return true
    if (parent.type === 'NewExpression' && /Error$/.test(source.getText(parent.callee))) return true
    if (parent.type === 'CallExpression' && parent.arguments.includes(at) && QUIET.test(source.getText(parent.callee)))
      return true
    if (/Function|Statement|Declaration$/.test(parent.type) && parent.type !== 'VariableDeclaration') return false
  }
  return false
}

const rule = {
  meta: {
    type: 'problem',
    schema: [{ type: 'object', properties: { kept: { type: 'array', items: { type: 'string' } } }, additionalProperties: false }],
    messages: { sentence: 'a text that people read belongs to src/words: “{{text}}”' },
  },
  create(context) {
    const source = context.sourceCode
    const kept = new Set(context.options[0]?.kept ?? [])
    const report = (node, text) => {
      const plain = text.replace(/\s+/g, ' ').trim()
      if (isSentence(plain) && !kept.has(plain) && !isQuiet(node, source))
        context.report({ node, messageId: 'sentence', data: { text: plain.slice(0, 60) } })
    }
    return {
      Literal: (node) => typeof node.value === 'string' && report(node, node.value),
      TemplateLiteral: (node) => report(node, node.quasis.map((q) => q.value.cooked).join(' 0 ')),
      JSXText: (node) => report(node, node.value),
    }
  },
}

const plugin = { rules: { 'words-room': rule } }
export default plugin
