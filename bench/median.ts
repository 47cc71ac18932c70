export const median = (values: readonly number[]): number => [...values].sort((a, b) => a - b)[values.length >> 1]
