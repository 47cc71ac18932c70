// npm run build: the pages and the server's threads, when a source has changed since.
import { ensureBuilt, ensureInstalled } from './lib.mjs'

ensureInstalled()
ensureBuilt()
