/** What the screens of Practice say. */
export const say = {
  practice: 'Practice',
  aMinuteEach: 'common errors to try, a minute each',
  remember: 'To remember',
}
