/**
 * How likely at least `hits` of `count` come true where each does with a chance of its own; 0 to 1.
 *
 * @param count trials, a whole number from 1
 * @param hits a whole number from 0 to `count`
 * @param chance of each, 0 to 1
 */
export function binomialTail(count: number, hits: number, chance: number): number {
  if (hits <= 0 || chance >= 1) return 1;
  if (chance <= 0) return 0;
  // In logarithms: among thousands, what no hit at all has is less than a number can hold.
  const logOdds = Math.log(chance) - Math.log1p(-chance);
  const logTerms = [count * Math.log1p(-chance)];
  for (let k = 0; k < count; k++) logTerms.push((logTerms[k] as number) + Math.log((count - k) / (k + 1)) + logOdds);
  return Math.min(
    1,
    logTerms.slice(hits).reduce((sum, logTerm) => sum + Math.exp(logTerm), 0),
  );
}
