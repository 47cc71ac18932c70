import next from 'eslint-config-next/core-web-vitals'
import typescript from 'eslint-config-next/typescript'
import wordsRoom from './scripts/lint/words-room.mjs'

const NO_CLOCK_OR_CHANCE = [
  {
    selector: "MemberExpression[object.name='Date'][property.name='now']",
    message: 'core has no clock: take the time as an argument',
  },
  {
    selector: "NewExpression[callee.name='Date'][arguments.length=0]",
    message: 'core has no clock: take the time as an argument',
  },
  {
    selector: "MemberExpression[object.name='Math'][property.name='random']",
    message: 'core has no chance: take a seeded random',
  },
  {
    selector: 'CallExpression[callee.name=/^(fetch|setTimeout|setInterval|queueMicrotask)$/]',
    message: 'core does no input, output or waiting',
  },
  { selector: 'MemberExpression[object.name=/^(console|process)$/]', message: 'core does not know the process' },
  { selector: "Program > VariableDeclaration[kind='let']", message: 'core keeps no state in a module' },
  { selector: "Program > ExportNamedDeclaration > VariableDeclaration[kind='let']", message: 'core keeps no state in a module' },
]

/** Values of three words that stand in databases, and the name of a typeface. */
const KEPT_VALUES = [
  'as the machine',
  'measure, then balance',
  'balance, then measure',
  'by hand and an eighth',
  'rated for the size',
  'to measure again',
  'load given up',
  'Sofia Sans Condensed Variable',
  'record_words MATCH ?',
]

const config = [
  {
    ignores: ['node_modules/**', '.next/**', '.cache/**', 'data/**', 'next-env.d.ts', 'test-results/**', 'playwright-report/**'],
  },
  ...next,
  ...typescript,
  { rules: { '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }] } },
  { files: ['src/core/**/*.ts'], ignores: ['**/*.test.ts'], rules: { 'no-restricted-syntax': ['error', ...NO_CLOCK_OR_CHANCE] } },
  // longer ones say why beside them
  {
    files: ['src/**/*.{ts,tsx}', 'standins/**/*.ts', 'scripts/**/*.{ts,mjs}'],
    ignores: ['**/*.test.*'],
    rules: { 'max-lines-per-function': ['error', { max: 80, skipBlankLines: true, skipComments: true }] },
  },
  {
    files: ['src/ui/**/*.{ts,tsx}'],
    ignores: ['**/*.test.*'],
    rules: { 'max-lines': ['error', { max: 250, skipBlankLines: true, skipComments: true }] },
  },
  // links and ways of going somewhere know whether they stand in the practice room
  {
    files: ['src/ui/**/*.{ts,tsx}', 'src/app/**/*.{ts,tsx}'],
    ignores: ['src/ui/common/going.ts', 'src/ui/common/link.tsx', 'src/ui/practice/practice-room.tsx'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          paths: [
            { name: 'next/link', message: 'Take it from ui/common/link.' },
            { name: 'next/navigation', importNames: ['useRouter', 'usePathname'], message: 'Take useGo and usePage from ui/common/going.' },
          ],
        },
      ],
    },
  },
  { files: ['.dependency-cruiser.cjs'], rules: { '@typescript-eslint/no-require-imports': 'off' } },
  {
    files: ['src/**/*.{ts,tsx}'],
    // posts are templates of what a control reads
    ignores: ['src/words/**', 'src/codecs/posts/**', '**/*.test.*'],
    plugins: { boulder: wordsRoom },
    rules: { 'boulder/words-room': ['error', { kept: KEPT_VALUES }] },
  },
]
export default config
