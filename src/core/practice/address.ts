/** Where the practice room stands: the same pages as in earnest, under an address of its own. */

export const PRACTICE = '/practice'
/** Pages below that address that belong to the shop itself: what there is to learn, and how it went. */
const OF_THE_SHOP = /^\/practice(\/(edges|lessons|teach)(\/.*)?)?$/
/** There is no room in the room, and no address without a name. */
const NO_PAGE = /^\/practice\/+(\/|practice(\/|$))/

/** Whether an address lies in the practice room. */
export const isInPractice = (path: string): boolean =>
  path.startsWith(`${PRACTICE}/`) && !OF_THE_SHOP.test(path) && !NO_PAGE.test(path)

/** The page that an address in the practice room shows. */
export const pageOf = (path: string): string => (isInPractice(path) ? path.slice(PRACTICE.length) : path)

/** Where a page of ours stands in the practice room: pages of the shop itself stay where they are. @param href may carry a query */
export const practised = (href: string): string =>
  href.startsWith('/') && !href.startsWith(`${PRACTICE}/`) && href.split(/[?#]/, 1)[0] !== PRACTICE ? PRACTICE + href : href
