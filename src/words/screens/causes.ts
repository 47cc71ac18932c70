/** What the panel says that tells what is wrong with a tool. */
export const say = {
  whatIsWrong: 'What is wrong with it?',
  cannotBeTold: 'The first ones cannot be told apart yet.',
  costs: (minutes: number) => `about ${minutes} min`,
  itWas: 'What it was',
  edge: 'Edge',
  save: 'Save the cause',
  saved: 'Saved. The next measurement shows whether it was that.',
  notSaved: 'Not saved.',
  saidBy: (who: string, cause: string, right: boolean | null) =>
    right === null
      ? `${who} found: ${cause}. The next measurement shows whether it was that.`
      : right
        ? `${who} found: ${cause}. That was right.`
        : `${who} found: ${cause}. The tool was no better after that.`,
}
